import { useDroppable } from '@dnd-kit/core';
import type { PlannedMachine } from '@longbar/core';
import { formatDay, workHours } from '@longbar/core';
import { createElement } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTokens } from '../../theme/ThemeProvider';
import { radius, space } from '../../theme/tokens';
import { Spread, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import type { CardProps } from './cardProps';
import { MachineCard } from './MachineCard';
import { IN_NO_WEEK, workByPerson, workOf } from './weekOf';

type Props = Omit<CardProps, 'machine'> & {
  week: string;
  title?: string;
  machines: readonly PlannedMachine[];
  hoursAWeek?: number | null;
  /** Something is being moved: it may be set down here. */
  isTarget?: boolean;
};

/** One week, or none yet: its machines, how much work they are, and whose. */
export function WeekPanel({ week, title, machines, hoursAWeek = null, isTarget, ...card }: Props) {
  const tokens = useTokens();
  const { setNodeRef, isOver } = useDroppable({ id: week });
  const name = title ?? `Week of ${formatDay(week)}`;
  const work = workOf(machines);
  const over = hoursAWeek !== null && work.median > hoursAWeek * 60;
  const colours = {
    backgroundColor: isOver ? tokens.actTint : tokens.sheet,
    borderColor: isOver ? tokens.act : tokens.line,
    borderStyle: isTarget ? ('dashed' as const) : ('solid' as const),
  };
  return createElement(
    'div',
    { ref: setNodeRef, style: FULL },
    <View style={[styles.panel, colours]}>
      <Spread>
        <Words as="strong">{name}</Words>
        {machines.length > 0 && week !== IN_NO_WEEK && (
          <Words as="note" color={over ? 'stop' : 'secondInk'}>
            {workHours(work.median)}
            {hoursAWeek !== null && ` of ${workHours(hoursAWeek * 60)}`}
          </Words>
        )}
      </Spread>
      {machines.length > 0 && week !== IN_NO_WEEK && (
        <Words as="note" color="secondInk">
          {weekWords(machines)}
        </Words>
      )}
      <Stack gap={space.small}>
        <View role="list" aria-label={name} style={styles.list}>
          {machines.map((machine) => (
            <MachineCard key={machine.id} machine={machine} {...card} />
          ))}
        </View>
        {machines.length === 0 && week === IN_NO_WEEK && (
          <Words as="note" color="secondInk">
            Nothing more falls due in these weeks.
          </Words>
        )}
      </Stack>
    </View>,
  );
}

function weekWords(machines: readonly PlannedMachine[]): string {
  const { late, unknown } = workOf(machines);
  const people = workByPerson(machines).map(
    ([who, minutes]) => `${who === '' ? 'nobody yet' : who} ${workHours(minutes)}`,
  );
  return [
    `${workHours(late)} if it goes badly`,
    ...people,
    ...(unknown > 0 ? [`of ${unknown} it is not known`] : []),
  ].join(' · ');
}

const FULL = { height: '100%' };
const styles = StyleSheet.create({
  panel: {
    borderWidth: 1,
    borderRadius: radius,
    padding: space.medium,
    gap: space.small,
    minHeight: '100%',
  },
  list: { gap: space.small },
});
