import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../features/screens/screen';

const WhyScreen = screen((all) => all.WhyScreen);

export default function Why() {
  const query = useLocalSearchParams<{ order?: string; job?: string }>();
  return <WhyScreen key={query.order} {...query} />;
}
