import type { MachineLine } from '@longbar/core';
import { formatDay, formatHours } from '@longbar/core';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { HeadGlyph } from '../../drawing/HeadGlyph';
import { Spread } from '../../ui/Panel';
import { space, WIDE } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { DueBar } from './DueBar';
import { dueWords, byDriftOf } from './dueWords';
import { Way } from '../../ui/Way';

/** One machine of the yard: hours, hours left, and when. */
export function MachineRow({ machine, today }: { machine: MachineLine; today: string }) {
  const tokens = useTokens();
  const { width } = useWindowDimensions();
  const due = dueWords(machine.due, machine.interval, today);
  const hours = machine.hours ? `${formatHours(machine.hours.hours)} h` : 'no hours read';
  const read = machine.hours ? `read ${formatDay(machine.hours.date)}` : '';
  const colour = due.overdue ? 'stop' : 'ink';
  const drift = byDriftOf(machine);
  return (
    <View role="listitem">
      <Way
        to={`/machines/${machine.id}`}
        name={`${machine.name}, ${machine.engine}: ${due.figure}`}
        style={[styles.row, { borderColor: tokens.line }]}
      >
        {width >= WIDE ? (
          <View style={styles.columns}>
            <View style={styles.name}>
              <Words as="heading">{machine.name}</Words>
              <Words as="note" color="secondInk">
                {machine.engine}
              </Words>
            </View>
            <View style={styles.hours}>
              <Words as="figure">{hours}</Words>
              <Words as="note" color="secondInk">
                {read}
              </Words>
            </View>
            <View style={styles.bar}>
              <DueBar due={due} />
            </View>
            <View style={styles.due}>
              <Words as="figure" color={colour}>
                {due.figure}
              </Words>
              <Words as="note" color="secondInk">
                {due.when}
              </Words>
              {drift && <Words as="note">{drift}</Words>}
            </View>
          </View>
        ) : (
          <View style={styles.stack}>
            <Spread>
              <Words as="heading">{machine.name}</Words>
              <Words as="figure" color={colour}>
                {due.figure}
              </Words>
            </Spread>
            <Spread>
              <View style={styles.engine}>
                {machine.head && <HeadGlyph head={machine.head} />}
                <Words as="note" color="secondInk">
                  {machine.engine} · {hours}
                </Words>
              </View>
              <Words as="note" color="secondInk">
                {due.when}
              </Words>
            </Spread>
            <DueBar due={due} />
            {drift && <Words as="note">{drift}</Words>}
          </View>
        )}
      </Way>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { borderBottomWidth: 1, paddingVertical: space.medium + 2 },
  stack: { gap: space.hair },
  engine: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  columns: { flexDirection: 'row', alignItems: 'center', gap: space.large },
  name: { flex: 2 },
  hours: { flex: 2 },
  bar: { flex: 3 },
  due: { flex: 3, alignItems: 'flex-end' },
});
