import type { AdjusterEntry } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../../theme/tokens';
import { Act } from '../../../ui/Act';
import { Stack } from '../../../ui/Panel';
import { NumberField, PitchField } from '../NumberField';
import type { AdjusterProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { Choices } from './Choices';

type Screw = NonNullable<AdjusterEntry['screw']>;

const SIDES = ['pushrod', 'valve'] as const;

/** The screw's thread and where it stands, so that a gap can be told in parts of a turn. */
export function ScrewFields({ draft, units, entry, place }: AdjusterProps) {
  const { screw, kind } = entry;
  const path = `adjusters.${place}.screw`;
  const change = (apply: (screw: Screw) => void) =>
    draft.edit((sheet) => {
      const own = sheet.adjusters[place];
      if (own?.screw) apply(own.screw);
    });
  const set = (made: Screw | undefined) =>
    draft.edit((sheet) => {
      const own = sheet.adjusters[place];
      if (!own) return;
      if (made) own.screw = made;
      else delete own.screw;
    });
  if (!screw) {
    return (
      <Act
        label={`Give the ${kind} screw’s pitch`}
        detail="Then advice comes in parts of a turn"
        onPress={() => set({ pitch: 1000, ratio: 1, side: 'pushrod' })}
      />
    );
  }
  return (
    <Stack gap={space.small}>
      <View style={styles.fields}>
        <View style={styles.field}>
          <PitchField
            label={`Pitch, ${kind}`}
            units={units}
            value={screw.pitch}
            error={mistakeAt(draft, `${path}.pitch`)}
            onChange={(pitch) => change((own) => void (own.pitch = pitch ?? NaN))}
          />
        </View>
        <View style={styles.field}>
          <NumberField
            label={`Rocker ratio, ${kind}`}
            value={screw.ratio}
            error={mistakeAt(draft, `${path}.ratio`)}
            onChange={(ratio) => change((own) => void (own.ratio = ratio ?? NaN))}
          />
        </View>
      </View>
      <Choices
        title="The screw is on the side of the"
        of={kind}
        options={SIDES}
        chosen={screw.side}
        onChoose={(side) => change((own) => void (own.side = side))}
      />
      <Act label={`Take the ${kind} screw out`} onPress={() => set(undefined)} />
    </Stack>
  );
}

const styles = StyleSheet.create({
  fields: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  field: { flexBasis: 130, flexGrow: 1 },
});
