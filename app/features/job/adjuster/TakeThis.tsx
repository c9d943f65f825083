import type { BladeSet, SettableEntry } from '@longbar/core';
import {
  OTHER_LENGTH_UNIT,
  bladeFor,
  formatFigure,
  formatInOther,
  formatLength,
  formatLengthAlone,
  formatStack,
  formatSetting,
  layOutBlades,
  markedIn,
  measureOf,
  toSet,
  unitOf,
} from '@longbar/core';
import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { useJobLayout } from '../frame/useJobLayout';

type Props = { entry: SettableEntry; set: BladeSet; temperature: string };

/** What to take in hand: the largest thing on the screen, both units, the kind spelled out. */
export const TakeThis = memo(function TakeThis({ entry, set, temperature }: Props) {
  const { spec } = entry;
  const { isShort } = useJobLayout();
  const measure = measureOf(entry);
  const wanted = toSet(spec);
  const lash = measure === 'lash';
  const blade = lash ? bladeFor(layOutBlades(set, spec), wanted) : undefined;
  // All of it is in the unit of the blades in hand, where there are any; only the other is not.
  const marked = markedIn(set);
  const unit = lash ? marked : unitOf(measure);
  const figure = lash
    ? formatLengthAlone(blade?.size ?? wanted, marked)
    : formatFigure(measure, wanted);
  const other = lash
    ? formatLength(wanted, OTHER_LENGTH_UNIT[marked])
    : formatInOther(measure, wanted);
  const high = lash ? formatSetting(measure, spec.high, marked) : formatFigure(measure, spec.high);
  return (
    <View style={styles.row}>
      <Words
        as="blade"
        aria-label={`Take ${figure} ${unit}`}
        {...(isShort && { style: styles.short })}
      >
        {figure}
      </Words>
      <Words as="heading" color="secondInk">
        {unit}
      </Words>
      <View style={styles.other}>
        <Words as="figure">{other}</Words>
        <Words as="note" color="secondInk" style={styles.limits}>
          {formatFigure(measure, spec.low, marked)} to {high}, {lash ? temperature : measure}
        </Words>
        {spec.aim !== undefined && (
          <Words as="note" color="secondInk">
            the maker’s target is {formatSetting(measure, spec.target, marked)}
          </Words>
        )}
        {blade?.of && (
          <Words as="strong" color="act">
            stack {formatStack(blade.of, marked)}
          </Words>
        )}
      </View>
    </View>
  );
});

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'baseline', gap: space.small },
  // Read at arm's length still.
  short: { fontSize: 56, lineHeight: 56 },
  other: { marginLeft: 'auto', alignItems: 'flex-end', flexShrink: 1 },
  limits: { textAlign: 'right' },
});
