import { hanging } from '@longbar/core';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import type { WorkingJob } from '../model/workingJob';
import { ClearRow } from './ClearRow';

/** Whose locks hang on this engine; who leaves takes their own off. */
export function Locks({ job }: { job: WorkingJob }) {
  const locks = hanging(job.state);
  if (locks.length === 0) return null;
  return (
    <Stack>
      <Words as="strong">Locks that hang</Words>
      {locks.map(({ person }) => (
        <ClearRow key={person} {...{ job, person }} />
      ))}
    </Stack>
  );
}
