import { useLocalSearchParams } from 'expo-router';
import { PaperScreen } from '../../../features/paper/PaperScreen';

export default function Paper() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PaperScreen key={id} id={id} />;
}
