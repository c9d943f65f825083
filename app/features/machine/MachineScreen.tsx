import type { MachineDetail } from '@longbar/core';
import { formatDay, formatHours, localDay } from '@longbar/core';
import { useRouter } from 'expo-router';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { useMachineQuery } from '../../state/api';
import { Act } from '../../theme/Act';
import { Spread, Stack } from '../../theme/Panel';
import { space, WIDE } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../theme/Words';
import { Findings } from '../drift/Findings';
import { Frame } from '../frame/Frame';
import { DueBar } from '../yard/DueBar';
import { dueWords, recheckWords } from '../yard/dueWords';
import { HoursForm } from './HoursForm';
import { PastJobs } from './PastJobs';
import { StartJob } from './StartJob';

/** One machine: hours and readings, what is due, past jobs, and the start of a job. */
export function MachineScreen({ id }: { id: string }) {
  const { data, isError, isLoading, refetch } = useMachineQuery(id, {
    refetchOnMountOrArgChange: true,
  });
  if (!data) {
    return (
      <Frame title="Machine" back="/">
        {isLoading && <Words color="secondInk">Fetching the machine …</Words>}
        {isError && (
          <>
            <Words as="strong">The server does not give this machine.</Words>
            <Act label="Ask again" onPress={() => void refetch()} />
          </>
        )}
      </Frame>
    );
  }
  return <Machine machine={data} />;
}

function Machine({ machine }: { machine: MachineDetail }) {
  const router = useRouter();
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const source = machine.document.source;
  return (
    <Frame
      title={machine.name}
      aside={`${machine.engine}, sheet revision ${machine.sheet.revision}`}
      back="/"
    >
      <View style={wide ? styles.wide : styles.stack}>
        <Stack gap={space.large} style={wide ? styles.column : {}}>
          <Due machine={machine} />
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
          <Readings machine={machine} />
          {source && (
            <Words as="note" color="secondInk">
              From:{' '}
              {[
                source.title,
                source.page && `page ${source.page}`,
                source.revision && `revision ${source.revision}`,
              ]
                .filter(Boolean)
                .join(', ')}
              {source.checked ? `, last checked ${formatDay(source.checked)}` : ''}. The maker’s
              current manual stands.
            </Words>
          )}
        </Stack>
      </View>
    </Frame>
  );
}

function Due({ machine }: { machine: MachineDetail }) {
  const recheck = recheckWords(machine.recheck);
  const due = dueWords(machine.due, machine.interval, localDay(new Date()));
  return (
    <Stack gap={space.hair}>
      <Spread>
        <Words as="heading" color={due.overdue ? 'stop' : 'ink'}>
          {due.figure}
        </Words>
        <Words color="secondInk">{due.when}</Words>
      </Spread>
      <DueBar due={due} />
      {recheck && <Words>{recheck}.</Words>}
      {machine.due && (
        <Words as="note" color="secondInk">
          {machine.due.by !== 'months' && machine.due.why}
          {machine.due.atHours !== null && ` Due at ${formatHours(machine.due.atHours)} h.`}
        </Words>
      )}
    </Stack>
  );
}

function Job({ machine }: { machine: MachineDetail }) {
  const router = useRouter();
  const { open } = machine.jobs;
  if (!open) return <StartJob machine={machine} />;
  return (
    <Act
      weight="primary"
      label={`Go on with the open job: ${open.summary.step?.title ?? ''}`}
      onPress={() => router.push(`/jobs/${open.id}`)}
    />
  );
}

const SHOWN = 8;

function Readings({ machine }: { machine: MachineDetail }) {
  const tokens = useTokens();
  return (
    <Stack>
      <Words as="heading">Hours</Words>
      <HoursForm machine={machine.id} />
      <View role="list" aria-label="Readings of the hour meter">
        {machine.readings.slice(0, SHOWN).map(({ date, hours }, i) => (
          <View key={i} role="listitem" style={[styles.reading, { borderColor: tokens.hair }]}>
            <Words color="secondInk">{formatDay(date)}</Words>
            <Words as="figure">{formatHours(hours)} h</Words>
          </View>
        ))}
      </View>
    </Stack>
  );
}

const styles = StyleSheet.create({
  wide: { flexDirection: 'row', gap: space.huge, alignItems: 'flex-start' },
  stack: { gap: space.large },
  column: { flex: 1 },
  reading: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    paddingVertical: space.small,
    borderBottomWidth: 1,
  },
});
