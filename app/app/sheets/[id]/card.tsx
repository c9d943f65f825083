import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const CardScreen = screen((all) => all.CardScreen);

export default function Card() {
  const { id, method } = useLocalSearchParams<{ id: string; method?: string }>();
  return <CardScreen id={id} method={method} />;
}
