import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const ChangeMachineScreen = screen((all) => all.ChangeMachineScreen);

export default function ChangeMachine() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ChangeMachineScreen key={id} id={id} />;
}
