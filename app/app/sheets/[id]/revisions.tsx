import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const RevisionsScreen = screen((all) => all.RevisionsScreen);

export default function Revisions() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <RevisionsScreen key={id} id={id} />;
}
