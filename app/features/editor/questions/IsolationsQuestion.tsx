import { TypedField } from '../TypedField';
import type { Isolation } from '@longbar/core';
import { ISOLATION_PRESETS } from '@longbar/core';
import { space } from '../../../theme/tokens';
import { Act } from '../../../ui/Act';
import { Stack } from '../../../ui/Panel';
import { Tiles } from '../../../ui/Tiles';
import { Words } from '../../../ui/Words';
import { freeId, takeOut } from '../entries';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { ListQuestion } from './ListQuestion';

/** What usually makes an engine unable to start, by the machine it stands in: to be made one's own. */
function Presets({ onBegin }: { onBegin: (list: readonly Isolation[]) => void }) {
  return (
    <Stack gap={space.small}>
      <Words as="note" color="secondInk">
        Begin with what is usual, and make it this engine’s own:
      </Words>
      <Tiles columns={2}>
        {ISOLATION_PRESETS.map(({ machine, isolations }) => (
          <Act
            key={machine}
            label={machine}
            style={{ flex: 1 }}
            onPress={() => onBegin(isolations)}
          />
        ))}
      </Tiles>
    </Stack>
  );
}

/** What makes this engine unable to start, and how each is undone. */
export function IsolationsQuestion({ draft }: QuestionProps) {
  const { sheet, edit } = draft;
  const entries = sheet.isolations ?? [];
  const add = () =>
    edit((next) => {
      const list = (next.isolations ??= []);
      list.push({ id: freeId(list, 'isolation'), text: '', undo: '' });
    });
  const begin = (list: readonly Isolation[]) =>
    edit((next) => void (next.isolations = list.map((each) => ({ ...each }))));
  return (
    <ListQuestion
      title="What makes it unable to start?"
      hint="Batteries, fuel, air, controls, standby start. A diesel can fire from being barred by hand."
      entries={entries}
      one="isolation"
      before={entries.length === 0 && <Presets onBegin={begin} />}
      onAdd={add}
      onRemove={(place) => edit((next) => takeOut(next, 'isolations', place))}
    >
      {(isolation, place) => (
        <>
          <TypedField
            label={`Isolation ${place + 1}: what is done`}
            value={isolation.text}
            error={mistakeAt(draft, `isolations.${place}.text`)}
            onChange={(text) => edit((next) => void (next.isolations![place]!.text = text))}
          />
          <TypedField
            label={`Isolation ${place + 1}: how it is undone`}
            value={isolation.undo}
            error={mistakeAt(draft, `isolations.${place}.undo`)}
            onChange={(undo) => edit((next) => void (next.isolations![place]!.undo = undo))}
          />
        </>
      )}
    </ListQuestion>
  );
}
