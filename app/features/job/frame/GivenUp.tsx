import { adjusterName, describeUnset, unsetOf } from '@longbar/core';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { AfterAll } from '../adjuster/AfterAll';
import type { WorkingJob } from '../model/workingJob';

type Props = { job: WorkingJob; onDone: () => void };

/** What could not be set so far, wherever the job has come to since: it may be taken up again. */
export function GivenUp({ job, onDone }: Props) {
  const unset = unsetOf(job.state);
  if (unset.length === 0 || job.state.signed) return null;
  return (
    <Stack>
      <Words as="strong">Given up so far</Words>
      {unset.map((id) => {
        const why = job.state.adjusters[id]?.unset;
        return (
          <Stack key={id} gap={4}>
            <Words>
              {adjusterName(id)} {why && describeUnset(why)}
            </Words>
            <AfterAll
              id={id}
              named
              act={(act) => {
                job.act(act);
                onDone();
              }}
            />
          </Stack>
        );
      })}
    </Stack>
  );
}
