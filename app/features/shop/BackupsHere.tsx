import { formatInstant } from '@longbar/core';
import { useBackupsQuery } from '../../state/api';
import { Caution } from '../../ui/Caution';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** On PostgreSQL whoever looks after that database backs it up. */
function ByItsOwnMeans() {
  return (
    <Stack gap={6}>
      <Words as="heading">Backups</Words>
      <Words>
        Long Bar makes none here: the shop is kept in PostgreSQL, and whoever looks after that
        database backs it up. An archive is a copy of your own.
      </Words>
    </Stack>
  );
}

/** When the shop was last backed up, and a word where that is too long ago. */
export function BackupsHere() {
  const { data } = useBackupsQuery(undefined, { refetchOnMountOrArgChange: true });
  if (data === undefined) return null;
  if (data === null) return <ByItsOwnMeans />;
  const { last, late, everyHours, second } = data;
  return (
    <Stack gap={6}>
      <Words as="heading">Backups</Words>
      <Words>
        {last ? `The last good one: ${formatInstant(last)}.` : 'None was made yet.'} One is made
        every {everyHours} h while the server runs, and soon after a start where the last is older.
      </Words>
      {second !== undefined && (
        <Words as="note" color={second ? 'secondInk' : 'stop'}>
          {second
            ? `The last copy in the second folder: ${formatInstant(second)}.`
            : 'There is no copy in the second folder yet.'}
        </Words>
      )}
      {late && last && (
        <Caution>
          The last backup is too old. Look at what the server logs: its disk may be full.
        </Caution>
      )}
    </Stack>
  );
}
