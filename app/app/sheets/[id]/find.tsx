import { useLocalSearchParams } from 'expo-router';
import { FindScreen } from '../../../features/find/FindScreen';

export default function Find() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <FindScreen key={id} id={id} />;
}
