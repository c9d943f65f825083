import { screen } from '../../features/screens/screen';

const AddMachineScreen = screen((all) => all.AddMachineScreen);

export default function NewMachine() {
  return <AddMachineScreen />;
}
