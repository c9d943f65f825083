import type { MachineLine, Soon, Urgency } from '@longbar/core';
import { urgencyOf } from '@longbar/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Stack } from '../../ui/Panel';
import { useSeenSoFar } from '../../ui/useSeenSoFar';
import { Words } from '../../ui/Words';
import { MachineRow } from './MachineRow';
import { URGENCY_WORDS } from './yardColumns';

type Props = { machines: readonly MachineLine[]; today: string; soon: Soon | undefined };

const IN_ORDER: Urgency[] = ['overdue', 'soon', 'later', 'unknown'];

/** The yard as a board: what is overdue, what is soon by the shop's word, and the rest. */
export function PressingBoard({ machines, today, soon }: Props) {
  const { count, end } = useSeenSoFar(machines.length);
  const rows = useMemo(() => {
    const told = machines.map((machine) => ({
      machine,
      urgency: urgencyOf(machine.due, today, soon),
    }));
    return IN_ORDER.flatMap((urgency) => told.filter((each) => each.urgency === urgency));
  }, [machines, today, soon]);
  const drawn = rows.slice(0, count);
  return (
    <>
      {IN_ORDER.map((urgency) => {
        const own = drawn.filter((each) => each.urgency === urgency);
        if (own.length === 0) return null;
        return (
          <Stack key={urgency} gap={0}>
            <Words as="heading" color={urgency === 'overdue' ? 'stop' : 'ink'}>
              {URGENCY_WORDS[urgency]}
            </Words>
            <View role="list" aria-label={`Machines: ${URGENCY_WORDS[urgency]}`}>
              {own.map(({ machine }) => (
                <MachineRow key={machine.id} machine={machine} today={today} />
              ))}
            </View>
          </Stack>
        );
      })}
      {end}
    </>
  );
}
