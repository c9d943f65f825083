import { useLocalSearchParams } from 'expo-router';
import { MachineLabelsScreen } from '../features/labels/MachineLabelsScreen';

export default function Labels() {
  const { machine } = useLocalSearchParams<{ machine?: string }>();
  return <MachineLabelsScreen key={machine} machine={machine} />;
}
