import { Act } from '../../../ui/Act';
import type { WorkingJob } from '../model/workingJob';

/** Barred on so far past top dead centre, the piston is out of the valve's way, degrees. */
const PAST_THE_TOP = 30;

/** Barring past the top to press a bucket is a turn like any other, and is written down. */
export function PressedPast({ job }: { job: WorkingJob }) {
  return (
    <Act
      label={`Barred on ${PAST_THE_TOP}° past the top`}
      onPress={() => job.act({ type: 'crank.turned', degrees: PAST_THE_TOP, how: 'pressed' })}
    />
  );
}
