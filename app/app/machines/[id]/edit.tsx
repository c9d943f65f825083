import { useLocalSearchParams } from 'expo-router';
import { ChangeMachineScreen } from '../../../features/machine/ChangeMachineScreen';

export default function ChangeMachine() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ChangeMachineScreen key={id} id={id} />;
}
