import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../features/screens/screen';

const DiscScreen = screen((all) => all.DiscScreen);

export default function Page() {
  const query = useLocalSearchParams<{ order?: string; form?: string; gaps?: string }>();
  return <DiscScreen {...query} />;
}
