import { useLocalSearchParams } from 'expo-router';
import { EngineLabelScreen } from '../../../features/labels/EngineLabelScreen';

export default function Label() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <EngineLabelScreen key={id} id={id} />;
}
