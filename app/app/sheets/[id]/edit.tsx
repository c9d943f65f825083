import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const EditorScreen = screen((all) => all.EditorScreen);

export default function EditSheet() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <EditorScreen key={id} id={id} />;
}
