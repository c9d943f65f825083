import { useLocalSearchParams } from 'expo-router';
import { JobScreen } from '../../../features/job/JobScreen';

export default function Job() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <JobScreen key={id} id={id} />;
}
