import { useLocalSearchParams } from 'expo-router';
import { StripScreen } from '../../features/bench/print/StripScreen';

export default function Page() {
  const query = useLocalSearchParams<{ order?: string; form?: string; gaps?: string }>();
  return <StripScreen {...query} />;
}
