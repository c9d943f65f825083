import { Field } from '../../../theme/Field';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { ListQuestion } from './ListQuestion';

/** What makes this engine unable to start, and how each is undone. */
export function IsolationsQuestion({ draft }: QuestionProps) {
  const { sheet, edit } = draft;
  const entries = sheet.isolations ?? [];
  const add = () =>
    edit((next) => {
      const list = (next.isolations ??= []);
      const taken = new Set(list.map(({ id }) => id));
      let number = list.length + 1;
      while (taken.has(`isolation-${number}`)) number++;
      list.push({ id: `isolation-${number}`, text: '', undo: '' });
    });
  return (
    <ListQuestion
      title="What makes it unable to start?"
      hint="Batteries, fuel, air, controls, standby start. A diesel can fire from being barred by hand."
      entries={entries}
      one="isolation"
      onAdd={add}
      onRemove={(place) => edit((next) => void next.isolations?.splice(place, 1))}
    >
      {(isolation, place) => (
        <>
          <Field
            label={`Isolation ${place + 1}: what is done`}
            value={isolation.text}
            error={mistakeAt(draft, `isolations.${place}.text`)}
            onChange={(text) => edit((next) => void (next.isolations![place]!.text = text))}
          />
          <Field
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
