import type { AdjusterEntry } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Stack } from '../../../theme/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../theme/Words';
import { LengthField, NumberField, PreloadField } from '../NumberField';
import { Question } from '../Question';
import type { AdjusterProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { Choices } from './Choices';
import { SetAtChoice } from './SetAtChoice';

const MEASURES = ['lash', 'height', 'preload'] as const;
const METHODS = ['screw', 'shim', 'eccentric', 'preload'] as const;
const LIMITS = [
  { key: 'low', label: 'Least' },
  { key: 'target', label: 'Target' },
  { key: 'high', label: 'Most' },
] as const;

/** One kind of adjuster: its figures, how it is measured and set, and where. */
export function AdjusterCard({ draft, unit, entry, place }: AdjusterProps) {
  const change = (apply: (next: AdjusterEntry) => void) =>
    draft.edit((sheet) => {
      const own = sheet.adjusters[place];
      if (own) apply(own);
    });
  const path = `adjusters.${place}`;
  const { measure = 'lash', method = 'screw', perCylinder = 1 } = entry;
  return (
    <Question
      title={`The ${entry.kind}`}
      mistake={mistakeAt(draft, `${path}.kind`) ?? mistakeAt(draft, `${path}.perCylinder`)}
    >
      <Figures {...{ draft, unit, entry, place }} />
      <Choices
        title="Measured as"
        of={entry.kind}
        options={MEASURES}
        chosen={measure}
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
        <NumberField
          label={`Locknut of the ${entry.kind}, N·m`}
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
      <SetAtChoice {...{ draft, unit, entry, place }} />
    </Question>
  );
}

function Figures({ draft, unit, entry, place }: AdjusterProps) {
  const path = `adjusters.${place}.spec`;
  const { measure = 'lash', spec } = entry;
  const type = (key: 'low' | 'target' | 'high') => (value: number | undefined) =>
    draft.edit((sheet) => {
      const own = sheet.adjusters[place];
      if (!own) return;
      const { [key]: _, ...others } = own.spec ?? {};
      const typed = { ...others, ...(value !== undefined && { [key]: value }) };
      if (Object.keys(typed).length === 0) delete own.spec;
      else own.spec = typed as NonNullable<AdjusterEntry['spec']>;
    });
  return (
    <Stack gap={space.small}>
      <View style={styles.figures}>
        {LIMITS.map(({ key, label }) => {
          const field = {
            label: `${label}, ${entry.kind}`,
            value: spec?.[key],
            onChange: type(key),
          };
          const error = mistakeAt(draft, `${path}.${key}`);
          return (
            <View key={key} style={styles.figure}>
              {measure === 'preload' ? (
                <PreloadField {...field} error={error} />
              ) : (
                <LengthField {...field} unit={unit} error={error} />
              )}
            </View>
          );
        })}
      </View>
      {!spec && (
        <Words as="note" color="secondInk">
          No figure given: it can be barred to, but not judged.
        </Words>
      )}
    </Stack>
  );
}

const styles = StyleSheet.create({
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  figure: { flexBasis: 130, flexGrow: 1 },
});
