import { useLocalSearchParams } from 'expo-router';
import { WhyScreen } from '../../features/bench/why/WhyScreen';

export default function Why() {
  const query = useLocalSearchParams<{ order?: string; job?: string }>();
  return <WhyScreen key={query.order} {...query} />;
}
