import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const HelperScreen = screen((all) => all.HelperScreen);

export default function Helper() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <HelperScreen key={id} id={id} />;
}
