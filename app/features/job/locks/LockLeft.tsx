import { hangs } from '@longbar/core';
import { useAppSelector } from '../../../state/store';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { usePinFirst } from '../../people/usePinFirst';
import type { WorkingJob } from '../model/workingJob';

/** Who handed over goes home with their own lock in their hand: said once the next one's hangs. */
export function LockLeft({ job }: { job: WorkingJob }) {
  const { state, by } = job;
  const { pinFirst, asking } = usePinFirst();
  const from = state.handed.at(-1)?.by;
  const mine = useAppSelector(
    ({ preferences }) => from !== undefined && (from === by || preferences.names.includes(from)),
  );
  if (from === undefined || !mine || !hangs(state, from)) return null;
  const others = state.locks.some(({ person, off }) => !off && person !== from);
  if (!others) return null;
  return (
    <>
      <Caution>{`${from} handed over, and ${from}’s lock hangs still. ${from} takes it off, nobody else.`}</Caution>
      {asking}
      <Act
        byHand
        label={`I am ${from}: clear, lock off`}
        onPress={() => pinFirst(from, () => job.actAs(from, { type: 'clear.said', person: from }))}
      />
    </>
  );
}
