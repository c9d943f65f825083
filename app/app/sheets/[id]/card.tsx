import { useLocalSearchParams } from 'expo-router';
import { CardScreen } from '../../../features/sheets/CardScreen';

export default function Card() {
  const { id, method } = useLocalSearchParams<{ id: string; method?: string }>();
  return <CardScreen id={id} method={method} />;
}
