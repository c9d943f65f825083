import { useLocalSearchParams } from 'expo-router';
import { HelperScreen } from '../../../features/job/helper/HelperScreen';

export default function Helper() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <HelperScreen key={id} id={id} />;
}
