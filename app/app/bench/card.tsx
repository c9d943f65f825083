import { useLocalSearchParams } from 'expo-router';
import { QuickCardScreen } from '../../features/bench/QuickCardScreen';

export default function Card() {
  const query = useLocalSearchParams<{
    order?: string;
    form?: string;
    gaps?: string;
    method?: string;
  }>();
  return <QuickCardScreen {...query} />;
}
