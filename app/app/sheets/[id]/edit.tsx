import { useLocalSearchParams } from 'expo-router';
import { EditorScreen } from '../../../features/editor/EditorScreen';

export default function EditSheet() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <EditorScreen key={id} id={id} />;
}
