import { useRouter } from 'expo-router';
import { useShopQuery } from '../../state/api';
import { Act } from '../../ui/Act';
import { useMay } from '../people/useMay';

/** Hours that came by themselves and wait to be settled: whoever may do so is told. */
export function HoursWaiting() {
  const router = useRouter();
  const { data } = useShopQuery();
  const isForeman = useMay('foreman');
  const waiting = data?.hoursWaiting ?? 0;
  if (!isForeman || waiting === 0) return null;
  return (
    <Act
      label={waiting === 1 ? 'A reading of hours waits' : `${waiting} readings of hours wait`}
      detail="They came by telematics. Say what they are."
      onPress={() => router.push('/shop/waiting')}
    />
  );
}
