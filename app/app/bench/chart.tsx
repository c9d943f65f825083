import { useLocalSearchParams } from 'expo-router';
import { ChartScreen } from '../../features/bench/ChartScreen';

export default function Chart() {
  const { order, form, gaps } = useLocalSearchParams<{
    order?: string;
    form?: string;
    gaps?: string;
  }>();
  return <ChartScreen key={`${order} ${form} ${gaps}`} {...{ order, form, gaps }} />;
}
