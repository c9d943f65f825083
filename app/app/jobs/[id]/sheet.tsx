import { useLocalSearchParams } from 'expo-router';
import { SheetAtHand } from '../../../features/job/frame/SheetAtHand';

export default function Sheet() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <SheetAtHand key={id} id={id} />;
}
