import { formatInstant } from '@longbar/core';
import { Caution } from '../../../ui/Caution';
import type { WorkingJob } from '../model/workingJob';

/** A signature that does not count, because something was missing when it reached the server. */
export function SignedTooSoon({ job: { state } }: { job: WorkingJob }) {
  const signature = state.late.findLast(({ type }) => type === 'job.signed');
  if (!signature || state.signed) return null;
  return (
    <Caution>
      {`${signature.by} signed ${formatInstant(signature.at)}, but what another phone had sent left something open. That signature does not count: finish what is asked, and sign again.`}
    </Caution>
  );
}
