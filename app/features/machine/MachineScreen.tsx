import type { MachineDetail } from '@longbar/core';
import { counted, dueAtWords, hoursAgainst, localDay } from '@longbar/core';
import { useRouter } from 'expo-router';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Act } from '../../ui/Act';
import { Caution } from '../../ui/Caution';
import { Spread, Stack } from '../../ui/Panel';
import { space, WIDE } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import { Findings } from '../drift/Findings';
import { Frame } from '../frame/Frame';
import { DueBar } from '../yard/DueBar';
import { dueWords } from '../yard/dueWords';
import { May } from '../people/May';
import { useMay } from '../people/useMay';
import { Coming } from '../shared/Coming';
import { useMachine } from '../shared/useMachine';
import { AboutMachine } from './AboutMachine';
import { MachineHead } from './MachineHead';
import { HoursForm } from './HoursForm';
import { NewerSheet } from './NewerSheet';
import { OutOfTheYard } from './OutOfTheYard';
import { PastJobs } from './PastJobs';
import { Readings } from './Readings';
import { StartJob } from './StartJob';

/** One machine: hours and readings, what is due, past jobs, and the start of a job. */
export function MachineScreen({ id }: { id: string }) {
  const { machine, asked } = useMachine(id);
  // One frame before and after: a finger that rests on a place or on the way back leads there.
  return (
    <Frame
      title={machine?.name ?? 'Machine'}
      aside={machine && `${machine.engine}, sheet revision ${machine.sheet.revision}`}
      back="/"
    >
      {machine ? <Machine machine={machine} /> : <Coming what="the machine" of={asked} />}
    </Frame>
  );
}

function Machine({ machine }: { machine: MachineDetail }) {
  const router = useRouter();
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const half = (Math.min(width - 88, 1120) - 3 * space.huge) / 2;
  return (
    <View style={wide ? styles.wide : styles.stack}>
      <Stack gap={space.large} style={wide ? styles.column : {}}>
        <Due machine={machine} />
        <May role="technician">
          <NewerSheet machine={machine} />
        </May>
        {wide && <MachineHead machine={machine} width={half} />}
        <Findings findings={machine.findings} />
        <Job machine={machine} />
        <PastJobs machine={machine} />
        {machine.history.length > 0 && (
          <Act
            label="Drift of every valve"
            icon="drift"
            onPress={() => router.push(`/machines/${machine.id}/drift`)}
          />
        )}
      </Stack>
      <Stack gap={space.large} style={wide ? styles.column : {}}>
        <Stack>
          <Words as="heading">Hours</Words>
          <May role="technician">
            <HoursForm machine={machine} />
          </May>
          <Readings machine={machine} />
        </Stack>
        <AboutMachine machine={machine} />
        <Act
          label="Label for the machine"
          icon="print"
          onPress={() => router.push(`/labels?machine=${machine.id}`)}
        />
      </Stack>
    </View>
  );
}

function Due({ machine }: { machine: MachineDetail }) {
  const due = dueWords(machine.due, machine.interval, localDay(new Date()));
  // Then the reason below says so.
  const dayUnknown = machine.due?.date === null;
  // Where months end it, the line above says it already.
  const whyShown = machine.due?.by !== 'months' || machine.due.kinds !== undefined;
  const against = hoursAgainst(counted(machine.readings), machine.meter);
  return (
    <Stack gap={space.hair}>
      <Spread>
        <Words as="heading" color={due.overdue ? 'stop' : 'ink'}>
          {due.figure}
        </Words>
        {!dayUnknown && <Words color="secondInk">{due.when}</Words>}
      </Spread>
      <DueBar due={due} />
      {against !== undefined && <Caution>{`${against} Put it right under Hours.`}</Caution>}
      {machine.due && (
        <Words as="note" color="secondInk">
          {[whyShown && machine.due.why, dueAtWords(machine.due)].filter(Boolean).join(' ')}
        </Words>
      )}
    </Stack>
  );
}

function Job({ machine }: { machine: MachineDetail }) {
  const router = useRouter();
  const { open } = machine.jobs;
  const mayWork = useMay('technician');
  const mayHelp = useMay('helper');
  if (!mayWork) {
    return open && mayHelp ? (
      <Act
        weight="primary"
        label="Help at the open job"
        onPress={() => router.push(`/jobs/${open.id}/helper`)}
      />
    ) : null;
  }
  if (machine.retired) return <OutOfTheYard machine={machine} />;
  if (!open) return <StartJob machine={machine} />;
  return (
    <Act
      weight="primary"
      label={`Continue the open job: ${open.summary.step?.title ?? ''}`}
      onPress={() => router.push(`/jobs/${open.id}`)}
    />
  );
}

const styles = StyleSheet.create({
  wide: { flexDirection: 'row', gap: space.huge, alignItems: 'flex-start' },
  stack: { gap: space.large },
  column: { flex: 1 },
});
