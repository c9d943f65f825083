import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const EngineLabelScreen = screen((all) => all.EngineLabelScreen);

export default function Label() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <EngineLabelScreen key={id} id={id} />;
}
