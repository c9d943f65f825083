import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const SheetScreen = screen((all) => all.SheetScreen);

export default function Sheet() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <SheetScreen key={id} id={id} />;
}
