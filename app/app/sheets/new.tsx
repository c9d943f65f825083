import { EditorScreen } from '../../features/editor/EditorScreen';

export default function NewSheet() {
  return <EditorScreen id={undefined} />;
}
