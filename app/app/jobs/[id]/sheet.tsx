import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const SheetAtHand = screen((all) => all.SheetAtHand);

export default function Sheet() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <SheetAtHand key={id} id={id} />;
}
