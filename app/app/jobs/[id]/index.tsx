import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const JobScreen = screen((all) => all.JobScreen);

export default function Job() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <JobScreen key={id} id={id} />;
}
