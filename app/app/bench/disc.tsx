import { useLocalSearchParams } from 'expo-router';
import { DiscScreen } from '../../features/bench/print/DiscScreen';

export default function Page() {
  const query = useLocalSearchParams<{ order?: string; form?: string; gaps?: string }>();
  return <DiscScreen {...query} />;
}
