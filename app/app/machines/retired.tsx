import { RetiredScreen } from '../../features/machine/RetiredScreen';

export default function Retired() {
  return <RetiredScreen />;
}
