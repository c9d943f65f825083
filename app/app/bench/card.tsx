import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../features/screens/screen';

const QuickCardScreen = screen((all) => all.QuickCardScreen);

export default function Card() {
  const query = useLocalSearchParams<{
    order?: string;
    form?: string;
    gaps?: string;
    method?: string;
  }>();
  return <QuickCardScreen {...query} />;
}
