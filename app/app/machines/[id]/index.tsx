import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const MachineScreen = screen((all) => all.MachineScreen);

export default function Machine() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <MachineScreen key={id} id={id} />;
}
