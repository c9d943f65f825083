import { screen } from '../../features/screens/screen';

const RetiredScreen = screen((all) => all.RetiredScreen);

export default function Retired() {
  return <RetiredScreen />;
}
