import { useLocalSearchParams } from 'expo-router';
import { DriftScreen } from '../../../features/drift/DriftScreen';

export default function Drift() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DriftScreen key={id} id={id} />;
}
