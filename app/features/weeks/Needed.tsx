import type { Weeks } from '@longbar/core';
import { formatDay, shimsAheadWords } from '@longbar/core';
import { space } from '../../theme/tokens';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** What has to be there for the planned machines, and by when. */
export function Needed({ weeks: { parts, shims } }: { weeks: Weeks }) {
  if (parts.length + shims.length === 0) return null;
  return (
    <Stack gap={space.small}>
      <Words as="heading">What has to be there</Words>
      {parts.map(({ part, machines, by }) => (
        <Words key={part}>
          {machines.length} × {part}, the first by {formatDay(by)}: {machines.join(', ')}
        </Words>
      ))}
      {shims.map((each) => (
        <Words key={each.machine}>
          {each.machine}, by {formatDay(each.by)}: shims {shimsAheadWords(each)}
        </Words>
      ))}
      {shims.length > 0 && (
        <Words as="note" color="secondInk">
          Shims are what the drift of each valve leads to expect. What is measured decides.
        </Words>
      )}
    </Stack>
  );
}
