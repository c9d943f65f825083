import type { MachineLine, Soon, Urgency } from '@longbar/core';
import { urgencyOf } from '@longbar/core';
import { View } from 'react-native';
import { Stack } from '../../theme/Panel';
import { Words } from '../../theme/Words';
import { MachineRow } from './MachineRow';

type Props = { machines: readonly MachineLine[]; today: string; soon: Soon | undefined };

const TITLES: Record<Urgency, string> = {
  overdue: 'Overdue',
  soon: 'Soon',
  later: 'Later',
  unknown: 'No interval',
};
const IN_ORDER: Urgency[] = ['overdue', 'soon', 'later', 'unknown'];

/** The yard as a board: what is overdue, what is soon by the shop's word, and the rest. */
export function PressingBoard({ machines, today, soon }: Props) {
  return IN_ORDER.map((urgency) => {
    const own = machines.filter(({ due }) => urgencyOf(due, today, soon) === urgency);
    if (own.length === 0) return null;
    return (
      <Stack key={urgency} gap={0}>
        <Words as="heading" color={urgency === 'overdue' ? 'stop' : 'ink'}>
          {TITLES[urgency]}
        </Words>
        <View role="list" aria-label={`Machines: ${TITLES[urgency]}`}>
          {own.map((machine) => (
            <MachineRow key={machine.id} machine={machine} today={today} />
          ))}
        </View>
      </Stack>
    );
  });
}
