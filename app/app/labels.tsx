import { useLocalSearchParams } from 'expo-router';
import { screen } from '../features/screens/screen';

const MachineLabelsScreen = screen((all) => all.MachineLabelsScreen);

export default function Labels() {
  const { machine } = useLocalSearchParams<{ machine?: string }>();
  return <MachineLabelsScreen key={machine} machine={machine} />;
}
