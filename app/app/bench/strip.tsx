import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../features/screens/screen';

const StripScreen = screen((all) => all.StripScreen);

export default function Page() {
  const query = useLocalSearchParams<{ order?: string; form?: string; gaps?: string }>();
  return <StripScreen {...query} />;
}
