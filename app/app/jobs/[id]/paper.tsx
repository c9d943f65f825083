import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const PaperScreen = screen((all) => all.PaperScreen);

export default function Paper() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PaperScreen key={id} id={id} />;
}
