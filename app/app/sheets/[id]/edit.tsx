import { useLocalSearchParams } from 'expo-router';
import { EditorHere } from '../../../features/editor/EditorHere';

export default function EditSheet() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <EditorHere key={id} id={id} />;
}
