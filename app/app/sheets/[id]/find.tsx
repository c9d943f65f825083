import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const FindScreen = screen((all) => all.FindScreen);

export default function Find() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <FindScreen key={id} id={id} />;
}
