import { useRouter } from 'expo-router';
import { Frame } from '../features/frame/Frame';
import { Act } from '../ui/Act';

export default function NotFound() {
  const router = useRouter();
  return (
    <Frame title="There is no such page">
      <Act label="To the yard" onPress={() => router.replace('/')} />
    </Frame>
  );
}
