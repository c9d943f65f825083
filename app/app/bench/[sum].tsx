import { useLocalSearchParams } from 'expo-router';
import { SumScreen } from '../../features/bench/SumScreen';

export default function Sum() {
  const { sum } = useLocalSearchParams<{ sum: string }>();
  return <SumScreen key={sum} id={sum} />;
}
