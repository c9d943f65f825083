import { DndContext } from '@dnd-kit/core';
import { useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { API } from '../../api/request';
import { refusalOf } from '../../state/refusal';
import { space, WIDE } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Fold } from '../../ui/Fold';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { useMay } from '../people/useMay';
import { Coming } from '../shared/Coming';
import { usualPaper } from '../shared/paper';
import { MachineCard } from './MachineCard';
import { Offered } from './Offered';
import { Needed } from './Needed';
import { announcements, HOW_TO_MOVE, useMoveSensors, weekUnder } from './moving';
import { WeekPanel } from './WeekPanel';
import { IN_NO_WEEK, sortedInto } from './weekOf';
import { usePlanMutation, useWeeksQuery } from './weeksApi';

/**
 * The coming weeks: what is due, what is opened when and by whom. A machine is moved by dragging it,
 * by keys, or by its own buttons; nothing is moved that nobody asked for.
 */
export function Weeks() {
  const asked = useWeeksQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data } = asked;
  const [plan, planned] = usePlanMutation();
  const mayPlan = useMay('technician');
  const { sensors, letGo } = useMoveSensors();
  const wide = useWindowDimensions().width >= WIDE;
  const [moving, setMoving] = useState<string>();
  const [opened, setOpened] = useState<string>();
  if (!data) return <Coming what="the weeks" of={asked} without="Planning needs it." />;
  const { byWeek, open, later } = sortedInto(data);
  const put = (machine: string, week: string | null) => {
    const before = data.machines.find(({ id }) => id === machine)?.planned?.week ?? null;
    if (week !== before) void plan({ machine, week });
  };
  const setDown = () => {
    setMoving(undefined);
    letGo();
  };
  const card = { weeks: data.weeks, mayPlan, onPlan: plan, opened, onOpen: setOpened };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={weekUnder}
      accessibility={{
        announcements: announcements(data),
        screenReaderInstructions: { draggable: HOW_TO_MOVE },
      }}
      onDragStart={({ active }) => setMoving(String(active.id))}
      onDragCancel={setDown}
      onDragEnd={({ active, over }) => {
        setDown();
        if (over) put(String(active.id), over.id === IN_NO_WEEK ? null : String(over.id));
      }}
    >
      <Stack>
        {planned.error && (
          <Words color="stop" role="alert">
            {refusalOf(planned.error).message}
          </Words>
        )}
        {mayPlan && <Offered weeks={data} open={open} />}
        <WeekPanel week={IN_NO_WEEK} title="In no week yet" machines={open} {...card} />
        <View style={wide ? styles.grid : styles.stack}>
          {data.weeks.map((week) => (
            <View key={week} style={wide ? styles.cell : undefined}>
              <WeekPanel
                week={week}
                machines={byWeek.get(week) ?? []}
                hoursAWeek={data.hoursAWeek}
                isTarget={moving !== undefined}
                {...card}
              />
            </View>
          ))}
        </View>
        {later.length > 0 && (
          <Fold title="Later, or without a date" holds={`${later.length} of the yard`}>
            <Stack gap={space.small}>
              {later.map((machine) => (
                <MachineCard key={machine.id} machine={machine} {...card} />
              ))}
            </Stack>
          </Fold>
        )}
        <Needed weeks={data} />
        <Act
          label="Print the plan"
          icon="print"
          onPress={() => window.open(`${API}/weeks/plan.pdf?paper=${usualPaper()}`)}
        />
      </Stack>
    </DndContext>
  );
}

const styles = StyleSheet.create({
  stack: { gap: space.medium },
  grid: { flexDirection: 'row', flexWrap: 'wrap', margin: -space.small / 2 },
  cell: { width: '33.333%', padding: space.small / 2 },
});
