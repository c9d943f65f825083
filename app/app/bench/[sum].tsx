import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../features/screens/screen';

const SumScreen = screen((all) => all.SumScreen);

export default function Sum() {
  const { sum } = useLocalSearchParams<{ sum: string }>();
  return <SumScreen key={sum} id={sum} />;
}
