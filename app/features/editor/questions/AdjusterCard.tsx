import type { AdjusterEntry } from '@longbar/core';
import { measureOf } from '@longbar/core';
import { TorqueField } from '../NumberField';
import { Question } from '../Question';
import type { AdjusterProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { Choices } from './Choices';
import { Figures } from './Figures';
import { GuardAndAfter } from './GuardAndAfter';
import { ScrewFields } from './ScrewFields';
import { SetAtChoice } from './SetAtChoice';

const MEASURES = ['lash', 'height', 'preload'] as const;
const METHODS = ['screw', 'shim', 'eccentric', 'preload'] as const;

/** One kind of adjuster: its figures, how it is measured and set, and where. */
export function AdjusterCard({ draft, units, entry, place }: AdjusterProps) {
  const change = (apply: (next: AdjusterEntry) => void) =>
    draft.edit((sheet) => {
      const own = sheet.adjusters[place];
      if (own) apply(own);
    });
  const path = `adjusters.${place}`;
  const { method = 'screw', perCylinder = 1 } = entry;
  return (
    <Question
      title={`The ${entry.kind}`}
      mistake={mistakeAt(draft, `${path}.kind`) ?? mistakeAt(draft, `${path}.perCylinder`)}
    >
      <Figures {...{ draft, units, entry, place }} />
      <Choices
        title="Measured as"
        of={entry.kind}
        options={MEASURES}
        chosen={measureOf(entry)}
        onChoose={(chosen) => change((next) => void (next.measure = chosen))}
      />
      <Choices
        title="Set by"
        of={entry.kind}
        options={METHODS}
        chosen={method}
        onChoose={(chosen) => change((next) => void (next.method = chosen))}
      />
      <Choices
        title="On each cylinder"
        of={entry.kind}
        options={['1', '2', '3', '4'] as const}
        chosen={String(perCylinder)}
        onChoose={(count) =>
          change((next) => {
            if (count === '1') delete next.perCylinder;
            else next.perCylinder = Number(count);
          })
        }
      />
      {method !== 'shim' && (
        <TorqueField
          label={`Locknut of the ${entry.kind}`}
          units={units}
          value={entry.locknut?.torque}
          error={mistakeAt(draft, `${path}.locknut`)}
          onChange={(torque) =>
            change((next) => {
              if (torque === undefined) delete next.locknut;
              else next.locknut = { ...next.locknut, torque };
            })
          }
        />
      )}
      {method === 'screw' && <ScrewFields {...{ draft, units, entry, place }} />}
      <SetAtChoice {...{ draft, units, entry, place }} />
      <GuardAndAfter {...{ draft, units, entry, place }} />
    </Question>
  );
}
