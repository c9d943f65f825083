import { EditorHere } from '../../features/editor/EditorHere';

export default function NewSheet() {
  return <EditorHere id={undefined} />;
}
