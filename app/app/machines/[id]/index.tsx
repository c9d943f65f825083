import { useLocalSearchParams } from 'expo-router';
import { MachineScreen } from '../../../features/machine/MachineScreen';

export default function Machine() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <MachineScreen key={id} id={id} />;
}
