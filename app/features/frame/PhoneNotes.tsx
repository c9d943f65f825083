import { formatInstant } from '@longbar/core';
import { View } from 'react-native';
import { useAppSelector } from '../../state/store';
import { Words } from '../../ui/Words';
import { NEARLY_FULL } from '../unsent/unsentWords';

/**
 * What is to be known of this phone before it is relied on where there is no signal. What is so each
 * day is told at the places, and takes no room on the pages behind them.
 */
export function PhoneNotes({ atPlace }: { atPlace: boolean }) {
  const { keptSince, keptBecause, nearlyFull, cannotReopen, newVersion } = useAppSelector(
    ({ phone }) => phone,
  );
  const offered = useAppSelector(({ jobs }) => jobs.unsent.offered);
  const notes = [
    keptSince !== null &&
      `${keptBecause ?? 'The server could not be reached.'} This is as kept on this phone ${formatInstant(keptSince)}. Jobs, machines and hours go on; sheets and the shop’s rules need the server.`,
    offered > 0 &&
      `The server was put back to an earlier state. ${offered === 1 ? 'One thing' : `${offered} things`} that it had lost, and this phone holds, went out to it again.`,
    nearlyFull && NEARLY_FULL,
    cannotReopen &&
      atPlace &&
      'Over plain HTTP this phone cannot open Long Bar again without signal. What is recorded is kept all the same. HTTPS mends it.',
    newVersion && 'A newer version is here. It takes over once no job is open.',
  ].filter((note) => note !== false);
  if (notes.length === 0) return null;
  return (
    <View role="status">
      {notes.map((note) => (
        <Words key={note} as="note" color="act">
          {note}
        </Words>
      ))}
    </View>
  );
}
