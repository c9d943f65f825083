import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/screens/screen';

const RecordScreen = screen((all) => all.RecordScreen);

export default function Record() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <RecordScreen key={id} id={id} />;
}
