import { useLocalSearchParams } from 'expo-router';
import { SheetScreen } from '../../../features/sheets/SheetScreen';

export default function Sheet() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <SheetScreen key={id} id={id} />;
}
