import type { TorqueSequence } from '@longbar/core';
import { formatTorque } from '@longbar/core';
import { space } from '../../../theme/tokens';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { freeId, takeOut } from '../entries';
import { TorqueField } from '../NumberField';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { TypedField } from '../TypedField';
import { Choices } from './Choices';
import { FastenerOrder } from './FastenerOrder';
import { ListQuestion } from './ListQuestion';
import { StagesField } from './StagesField';

const WHEN = ['before the lash', 'closing up'] as const;

/** What is run down in sequence: where the fasteners lie, their order, and the stages. */
export function TorquesQuestion({ draft, units }: QuestionProps) {
  const { sheet, edit } = draft;
  const entries = sheet.torques ?? [];
  const add = () =>
    edit((next) => {
      const list = (next.torques ??= []);
      const stages = [{ percent: 100 }];
      list.push({
        id: freeId(list, 'torque'),
        name: '',
        when: 'close',
        torque: NaN,
        fasteners: [],
        stages,
      });
    });
  const change = (place: number) => (apply: (sequence: TorqueSequence) => void) =>
    edit((next) => {
      const own = next.torques?.[place];
      if (own) apply(own);
    });
  return (
    <ListQuestion
      title="What is run down in sequence?"
      hint="Hold-downs before the lash is read, covers while closing up."
      entries={entries}
      one="sequence"
      onAdd={add}
      onRemove={(place) => edit((next) => takeOut(next, 'torques', place))}
    >
      {(sequence, place) => (
        <Sequence {...{ draft, units, sequence, place }} onChange={change(place)} />
      )}
    </ListQuestion>
  );
}

type Props = QuestionProps & {
  sequence: TorqueSequence;
  place: number;
  onChange: (apply: (sequence: TorqueSequence) => void) => void;
};

function Sequence({ draft, units, sequence, place, onChange }: Props) {
  const path = `torques.${place}`;
  const number = place + 1;
  return (
    <Stack gap={space.small}>
      <TypedField
        label={`Sequence ${number}: what is run down`}
        value={sequence.name}
        error={mistakeAt(draft, `${path}.name`)}
        onChange={(name) => onChange((own) => void (own.name = name))}
      />
      <Choices
        title="When"
        of={`Sequence ${number}`}
        options={WHEN}
        chosen={sequence.when === 'first' ? WHEN[0] : WHEN[1]}
        onChoose={(when) =>
          onChange((own) => void (own.when = when === WHEN[0] ? 'first' : 'close'))
        }
      />
      <TorqueField
        label={`Sequence ${number}: torque`}
        units={units}
        value={sequence.torque}
        error={mistakeAt(draft, `${path}.torque`)}
        onChange={(torque) => onChange((own) => void (own.torque = torque ?? NaN))}
      />
      {sequence.torque > 0 && (
        <Words as="note" color="secondInk">
          {formatTorque(sequence.torque)}
        </Words>
      )}
      <StagesField
        of={`Sequence ${number}`}
        units={units}
        stages={sequence.stages}
        onStages={(stages) => onChange((own) => void (own.stages = stages))}
      />
      <FastenerOrder
        of={`Sequence ${number}`}
        fasteners={sequence.fasteners}
        columns={draft.sheet.firing.order.length + 1}
        error={mistakeAt(draft, `${path}.fasteners`)}
        onOrder={(fasteners) => onChange((own) => void (own.fasteners = [...fasteners]))}
      />
    </Stack>
  );
}
