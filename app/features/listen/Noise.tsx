import type { JobState } from '@longbar/core';
import { CANNOT_HEAR, noiseWords } from '@longbar/core';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** What was heard before and after, and what a sound cannot tell. */
export function Noise({ noise: { before, after } }: { noise: JobState['noise'] }) {
  if (!before && !after) return null;
  const told = { ...(before && { before: before.heard }), ...(after && { after: after.heard }) };
  return (
    <Stack gap={4}>
      <Words>{noiseWords(told)}</Words>
      <Words as="note" color="secondInk">
        {CANNOT_HEAR}
      </Words>
    </Stack>
  );
}
