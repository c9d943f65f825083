import { useLocalSearchParams } from 'expo-router';
import { JobSums } from '../../../features/job/frame/JobSums';

export default function Sums() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <JobSums key={id} id={id} />;
}
