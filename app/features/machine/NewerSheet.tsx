import type { MachineDetail, SheetDetail } from '@longbar/core';
import { changedMachine, compareSheets, localDay } from '@longbar/core';
import { useSheetQuery } from '../../state/api';
import { useSync } from '../../sync/SyncProvider';
import { radius, space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { SheetChanges } from '../shared/SheetChanges';
import { dueWords } from '../yard/dueWords';

/**
 * A newer revision of the machine's sheet: what changed in it, and what that means for the next
 * due date. The machine goes by it only once somebody takes it.
 */
export function NewerSheet({ machine }: { machine: MachineDetail }) {
  const { newest, id } = machine.sheet;
  const { data } = useSheetQuery(id, { skip: newest === undefined });
  if (newest === undefined || data === undefined || data.revision <= machine.sheet.revision) {
    return null;
  }
  return <Offer machine={machine} sheet={data} />;
}

function Offer({ machine, sheet }: { machine: MachineDetail; sheet: SheetDetail }) {
  const tokens = useTokens();
  const sync = useSync();
  const today = localDay(new Date());
  const patch = { sheet: sheet.id, sheetRevision: sheet.revision };
  const after = changedMachine(machine, patch, sheet, today);
  const [now, then] = [machine, after].map(({ due, interval }) => dueWords(due, interval, today));
  const says = (due: typeof now) => `${due?.figure ?? ''}${due?.when ? `, ${due.when}` : ''}`;
  return (
    <Stack
      gap={space.small}
      style={{
        borderWidth: 1.5,
        borderColor: tokens.enamelInk,
        borderRadius: radius,
        padding: space.medium,
      }}
    >
      <SheetChanges
        changes={compareSheets(machine.document, sheet.document)}
        title={`Revision ${sheet.revision} of the sheet is out`}
      />
      <Words as="strong">
        {says(now) === says(then)
          ? `The next check stays: ${says(now)}.`
          : `The next check: ${says(now)}; by the new revision ${says(then)}.`}
      </Words>
      {machine.jobs.open && (
        <Words as="note" color="secondInk">
          The open job goes on by the revision it was begun with.
        </Words>
      )}
      <Act
        label={`Go by revision ${sheet.revision} from now on`}
        onPress={() => void sync.sayOfMachine({ kind: 'change', machine: machine.id, patch })}
      />
    </Stack>
  );
}
