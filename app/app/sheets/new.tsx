import { screen } from '../../features/screens/screen';

const EditorScreen = screen((all) => all.EditorScreen);

export default function NewSheet() {
  return <EditorScreen id={undefined} />;
}
