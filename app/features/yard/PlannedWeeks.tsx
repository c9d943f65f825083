import type { MachineLine } from '@longbar/core';
import { formatDay, planWeeks } from '@longbar/core';
import { View } from 'react-native';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { MachineRow } from './MachineRow';

type Props = { machines: readonly MachineLine[]; today: string };

/** Machines worth opening in the same week: what falls due within three weeks goes together. */
export function PlannedWeeks({ machines, today }: Props) {
  const weeks = planWeeks(machines, today);
  const planned = new Set(weeks.flatMap((week) => week.machines));
  const undated = machines.filter((machine) => !planned.has(machine));
  return (
    <Stack>
      <Words as="note" color="secondInk">
        What falls due within three weeks of the first is worth opening in the same week.
      </Words>
      {weeks.map(({ week, machines: own }) => (
        <Week key={week} title={`Week of ${formatDay(week)}`} machines={own} today={today} />
      ))}
      {undated.length > 0 && <Week title="No date can be said" machines={undated} today={today} />}
    </Stack>
  );
}

function Week({ title, ...props }: Props & { title: string }) {
  return (
    <Stack gap={0}>
      <Words as="heading">{title}</Words>
      <View role="list" aria-label={title}>
        {props.machines.map((machine) => (
          <MachineRow key={machine.id} machine={machine} today={props.today} />
        ))}
      </View>
    </Stack>
  );
}
