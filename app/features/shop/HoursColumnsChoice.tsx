import type { HoursColumns, HoursFound } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Stack } from '../../ui/Panel';
import { RadioGroup } from '../../ui/RadioGroup';
import { space } from '../../theme/tokens';
import { Words } from '../../ui/Words';

type Props = { found: HoursFound; onChoose: (columns: HoursColumns) => void };

const COLUMNS = ['machine', 'date', 'hours'] as const;
const ASKED = { machine: 'Machine', date: 'Day', hours: 'Hours' } as const;

/** Which column of a table holds what, each with what stands in its first lines. */
export function HoursColumnsChoice({ found: { header, sample, columns }, onChoose }: Props) {
  const shown = (at: number) =>
    sample
      .map((cells) => cells[at] ?? '')
      .filter(Boolean)
      .join(' · ');
  return (
    <Stack>
      {COLUMNS.map((what) => (
        <Stack key={what} gap={space.hair}>
          <Words as="label">{ASKED[what]}</Words>
          <RadioGroup name={ASKED[what]} style={styles.columns}>
            {header.map((title, at) => (
              <View key={`${at} ${title}`} style={styles.column}>
                <Choice
                  label={title.trim() || `Column ${at + 1}`}
                  name={`${ASKED[what]}: ${title.trim() || `column ${at + 1}`}`}
                  detail={shown(at)}
                  chosen={columns[what] === at}
                  onPress={() => onChoose({ ...columns, [what]: at })}
                />
              </View>
            ))}
          </RadioGroup>
        </Stack>
      ))}
      <Stack gap={space.hair}>
        <Words as="label">3/4/2026 is</Words>
        <RadioGroup name="Order of day and month" style={styles.columns}>
          {[true, false].map((dayFirst) => (
            <Choice
              key={String(dayFirst)}
              label={dayFirst ? 'the third of April' : 'the fourth of March'}
              chosen={columns.dayFirst === dayFirst}
              onPress={() => onChoose({ ...columns, dayFirst })}
            />
          ))}
        </RadioGroup>
      </Stack>
    </Stack>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  column: { flexDirection: 'row', minWidth: 108, maxWidth: '100%', flexGrow: 1 },
});
