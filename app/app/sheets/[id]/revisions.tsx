import { useLocalSearchParams } from 'expo-router';
import { RevisionsScreen } from '../../../features/sheets/RevisionsScreen';

export default function Revisions() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <RevisionsScreen key={id} id={id} />;
}
