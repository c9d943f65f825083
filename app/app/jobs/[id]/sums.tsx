import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const JobSums = screen((all) => all.JobSums);

export default function Sums() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <JobSums key={id} id={id} />;
}
