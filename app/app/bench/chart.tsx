import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../features/screens/screen';

const ChartScreen = screen((all) => all.ChartScreen);

export default function Chart() {
  const { order, form, gaps } = useLocalSearchParams<{
    order?: string;
    form?: string;
    gaps?: string;
  }>();
  return <ChartScreen key={`${order} ${form} ${gaps}`} {...{ order, form, gaps }} />;
}
