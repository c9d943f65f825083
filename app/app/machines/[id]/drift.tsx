import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const DriftScreen = screen((all) => all.DriftScreen);

export default function Drift() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DriftScreen key={id} id={id} />;
}
