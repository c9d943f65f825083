import type { Level } from '@longbar/core';
import { Act } from '../../../ui/Act';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import type { ExerciseProps } from '../exerciseProps';

const AWAITS: Record<Level, string> = {
  1: 'One valve is tight, and says nothing true of the crank.',
  2: 'One valve is tight, locking moves the gaps, the bar may run on, and you are called away: somebody may turn the crank meanwhile.',
  3: 'As level 2; besides a cylinder was set with intake and exhaust exchanged, and the marks may not be where the sheet has them.',
};

/** The whole job: what awaits one, and where to begin. */
export function BeginWhole({ level, onBegin }: ExerciseProps) {
  return (
    <Stack>
      <Words as="heading">A whole job, from why it is opened to the signature</Words>
      <Words>{AWAITS[level]}</Words>
      <Words>
        The screen is the one of a true job. At the top one goes to the engine, bars it, wiggles
        rockers and tries blades, and comes back to write down what was found. What was written down
        is held against what was true.
      </Words>
      <Words color="secondInk">
        It lasts as long as this page is open; nothing of it is recorded.
      </Words>
      <Act weight="primary" label="Begin the job" onPress={onBegin} />
    </Stack>
  );
}
