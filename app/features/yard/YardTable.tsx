import type { MachineLine, Soon } from '@longbar/core';
import { formatDay, formatHours } from '@longbar/core';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { HeadGlyph } from '../../drawing/HeadGlyph';
import { space, target } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Icon } from '../../ui/Icon';
import { spacePresses } from '../../ui/spacePresses';
import { useSeenSoFar } from '../../ui/useSeenSoFar';
import { Way } from '../../ui/Way';
import { Words } from '../../ui/Words';
import { DueBar } from './DueBar';
import { dueWords, byDriftOf } from './dueWords';
import type { YardColumn, YardOrder } from './yardColumns';
import { inYardOrder, MOST_URGENT, orderAfter, urgencyWord, YARD_COLUMNS } from './yardColumns';

type Props = { machines: readonly MachineLine[]; today: string; soon: Soon | undefined };

const TITLES: Record<YardColumn, string> = {
  machine: 'Machine',
  engine: 'Engine',
  stands: 'Stands',
  hours: 'Hours',
  due: 'Due',
};

/** The yard on a wide screen: a table, sorted by whichever heading is pressed. */
export function YardTable({ machines, today, soon }: Props) {
  const [order, setOrder] = useState<YardOrder>(MOST_URGENT);
  const { count, end } = useSeenSoFar(machines.length);
  const sorted = useMemo(() => inYardOrder(machines, order, today), [machines, order, today]);
  return (
    <View role="table" aria-label="Machines">
      <View role="row" style={styles.row}>
        {YARD_COLUMNS.map((column) => (
          <Heading
            key={column}
            column={column}
            order={order}
            onPress={() => setOrder(orderAfter(order, column))}
          />
        ))}
      </View>
      {sorted.slice(0, count).map((machine) => (
        <MachineCells key={machine.id} machine={machine} today={today} soon={soon} />
      ))}
      {end}
    </View>
  );
}

type HeadingProps = { column: YardColumn; order: YardOrder; onPress: () => void };

function Heading({ column, order, onPress }: HeadingProps) {
  const tokens = useTokens();
  const own = order.by === column;
  const sort = own ? (order.descending ? 'descending' : 'ascending') : 'none';
  return (
    <View role="columnheader" {...{ 'aria-sort': sort }} style={styles[column]}>
      <Pressable
        role="button"
        aria-label={`Sort by ${TITLES[column].toLowerCase()}`}
        onPress={onPress}
        {...spacePresses(onPress)}
        style={styles.heading}
      >
        <Words as="strong">{TITLES[column]}</Words>
        {own && <Icon name={order.descending ? 'unfold' : 'fold'} color={tokens.ink} size={20} />}
      </Pressable>
    </View>
  );
}

type CellsProps = { machine: MachineLine; today: string; soon: Soon | undefined };

function MachineCells({ machine, today, soon }: CellsProps) {
  const tokens = useTokens();
  const { id, name, engine, head, place, owner, hours } = machine;
  const due = dueWords(machine.due, machine.interval, today);
  const drift = byDriftOf(machine);
  return (
    <View role="row" style={[styles.row, styles.line, { borderColor: tokens.line }]}>
      <View role="cell" style={styles.machine}>
        <Way to={`/machines/${id}`} name={`${name}, ${engine}: ${due.figure}`} style={styles.link}>
          <Words as="heading">{name}</Words>
        </Way>
      </View>
      <View role="cell" style={styles.engine}>
        {head && <HeadGlyph head={head} />}
        <Words>{engine}</Words>
      </View>
      <View role="cell" style={styles.stands}>
        <Words>{place ?? ''}</Words>
        {owner !== undefined && (
          <Words as="note" color="secondInk">
            {owner}
          </Words>
        )}
      </View>
      <View role="cell" style={styles.hours}>
        <Words as="figure">{hours ? `${formatHours(hours.hours)} h` : 'none read'}</Words>
        {hours && (
          <Words as="note" color="secondInk">
            {formatDay(hours.date)}
          </Words>
        )}
      </View>
      <View role="cell" style={styles.due}>
        <View style={styles.figures}>
          <Words as="figure" color={due.overdue ? 'stop' : 'ink'}>
            {due.figure}
          </Words>
          <Words as="note" color="secondInk">
            {[urgencyWord(machine, today, soon), due.when].filter(Boolean).join(', ')}
          </Words>
        </View>
        <DueBar due={due} />
        {drift && <Words as="note">{drift}</Words>}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.medium },
  line: { borderTopWidth: 1, paddingVertical: space.small },
  heading: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.hair,
    minHeight: target.least,
  },
  link: { minHeight: target.least, justifyContent: 'center' },
  machine: { flex: 3 },
  engine: { flex: 2 },
  stands: { flex: 2 },
  hours: { flex: 2 },
  due: { flex: 5 },
  figures: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', gap: space.small },
});
