import { AddMachineScreen } from '../../features/machine/AddMachineScreen';

export default function NewMachine() {
  return <AddMachineScreen />;
}
