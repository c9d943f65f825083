import type { Stop } from '@longbar/core';
import { isFinished, isRefused, isUnread } from '@longbar/core';
import { useRouter } from 'expo-router';
import { memo, useCallback, useEffect, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { holdVersion } from '../../sync/version';
import { space, WIDE } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../theme/Words';
import { Act } from '../../theme/Act';
import { Stack } from '../../theme/Panel';
import { crankAngle, jobCells } from './engine/jobCells';
import { JobHeader } from './frame/JobHeader';
import { JobLog } from './frame/JobLog';
import { JobMap } from './engine/JobMap';
import { JobOverview } from './engine/JobOverview';
import { KeysHelp } from './frame/KeysHelp';
import { StepBody } from './StepBody';
import { wasLeft, WhereWasI } from './frame/WhereWasI';
import type { WorkingJob } from './model/useJob';
import { useJob } from './model/useJob';

/** The job, full screen: the present step, the map, and the way ahead. */
export function JobScreen({ id }: { id: string }) {
  const { job, problem, busy } = useJob(id);
  const tokens = useTokens();
  const router = useRouter();
  useEffect(() => holdVersion(), []);
  if (!job) {
    return (
      <Stack style={{ padding: space.large, backgroundColor: tokens.ground, flex: 1 }}>
        <Words as="heading">{problem ? 'This job cannot be opened' : 'Opening the job …'}</Words>
        {problem && (
          <Words>This phone has not seen it, and the server did not give it: {problem}</Words>
        )}
        {problem && <Act label="Back to the yard" onPress={() => router.replace('/')} />}
      </Stack>
    );
  }
  return (
    <View style={styles.screen} aria-busy={busy}>
      <OpenJob job={job} />
    </View>
  );
}

const OpenJob = memo(function OpenJob({ job }: { job: WorkingJob }) {
  const tokens = useTokens();
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const [ahead, setAhead] = useState<number>();
  const [selected, setSelected] = useState<string>();
  const [resuming, setResuming] = useState(() => wasLeft(job));
  const { present } = job;
  const view = useCallback((i: number) => setAhead(i === present ? undefined : i), [present]);
  const viewed = ahead === undefined ? job.present : Math.min(ahead, job.steps.length - 1);
  const step = job.steps[viewed] as (typeof job.steps)[number];
  const stops = isRefused(job.plan) ? [] : job.plan.stops;
  const shownStop = step.id === 'round' ? job.state.lastStop?.stop : step.stop;
  const stop = shownStop === undefined ? undefined : stops[shownStop];
  const standing = stop !== undefined && job.state.lastStop?.stop === shownStop;
  const chosen =
    (selected !== undefined && stop?.set.some(({ id }) => id === selected)
      ? selected
      : undefined) ??
    nextToSet(job, stop, step.id === 'round') ??
    selected;
  const cells = jobCells(job, {
    stop: standing ? stop : undefined,
    at: crankAngle(job),
    selected: standing ? chosen : undefined,
  });
  const header = <JobHeader job={job} viewed={viewed} onView={view} />;
  const body = resuming ? (
    <WhereWasI job={job} onGoOn={() => setResuming(false)} />
  ) : (
    <StepBody
      key={step.id + String(step.stop)}
      {...{ job, step, wide }}
      selected={standing ? chosen : undefined}
      onSelect={setSelected}
      looking={viewed !== job.present}
      onPresent={() => setAhead(undefined)}
      after={wide ? <JobLog job={job} /> : undefined}
    />
  );
  if (wide) {
    return (
      <View style={[styles.wide, { backgroundColor: tokens.ground }]}>
        <View style={styles.main}>
          {header}
          <JobOverview
            {...{ job, cells, stop }}
            width={width - ASIDE - 2 * space.huge}
            onSelect={setSelected}
          />
        </View>
        <View style={[styles.aside, { borderColor: tokens.line }]}>{body}</View>
        <KeysHelp />
      </View>
    );
  }
  return (
    <View style={[styles.phone, { backgroundColor: tokens.ground }]}>
      {header}
      {standing && (
        <View style={styles.map}>
          <JobMap {...{ job, cells }} width={width - 2 * space.medium} onSelect={setSelected} />
        </View>
      )}
      {body}
    </View>
  );
});

/** The first adjuster of the stop that still wants something. */
function nextToSet(
  { setting, state }: WorkingJob,
  stop: Stop | undefined,
  round: boolean,
): string | undefined {
  if (!stop) return undefined;
  const open = stop.set.find(({ id }) =>
    round ? isUnread(setting, state, stop, id) : !isFinished(setting.sheet, state, id),
  );
  return (open ?? stop.set[0])?.id;
}

const ASIDE = 388;

const styles = StyleSheet.create({
  screen: { flex: 1, minHeight: 0 },
  phone: { flex: 1, minHeight: 0 },
  map: { paddingHorizontal: space.medium, paddingBottom: space.small },
  wide: { flex: 1, flexDirection: 'row', minHeight: 0 },
  main: { flex: 1 },
  aside: { width: ASIDE, borderLeftWidth: 1 },
});
