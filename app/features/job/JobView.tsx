import { itemAt, isAtAdjuster, isRefused } from '@longbar/core';
import type { Stop } from '@longbar/core';
import { memo, useCallback, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { space, WIDE } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { PrimaryProvider } from '../../ui/primary';
import { webStyle } from '../../ui/webStyle.web';
import { crankAngle, jobCells } from './engine/jobCells';
import { JobHeader } from './frame/JobHeader';
import { JobLog } from './frame/JobLog';
import { JobMap } from './engine/JobMap';
import { TurnerProvider } from './helper/Turner';
import { HandsFull } from './hands/HandsFull';
import { PedalKeys } from './hands/PedalKeys';
import { JobOverview } from './engine/JobOverview';
import { KeysHelp } from './frame/KeysHelp';
import { StepBody } from './StepBody';
import type { WorkingJob } from './model/workingJob';
import { useInstructionAloud } from './reading/speech';

/** A job that is worked at: the present step, the map, and the way ahead. */
export const JobView = memo(function JobView({ job }: { job: WorkingJob }) {
  return (
    <TurnerProvider job={job}>
      <PrimaryProvider>
        <OpenJob job={job} />
      </PrimaryProvider>
    </TurnerProvider>
  );
});

const OpenJob = memo(function OpenJob({ job }: { job: WorkingJob }) {
  const tokens = useTokens();
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const [ahead, setAhead] = useState<number>();
  const [selected, setSelected] = useState<string>();
  const { present } = job;
  useInstructionAloud(job.says);
  const [hands, setHands] = useState(false);
  const view = useCallback((i: number) => setAhead(i === present ? undefined : i), [present]);
  // Who looked ahead, or back, and whose work has come there by now, looks no further.
  if (ahead === present) setAhead(undefined);
  const viewed = ahead === undefined ? present : Math.min(ahead, job.steps.length - 1);
  const step = itemAt(job.steps, viewed);
  const place = placeOf(job, viewed, selected);
  const cells = jobCells(job, {
    lit: place.lit,
    at: crankAngle(job),
    selected: place.chosen,
  });
  const header = (
    <JobHeader {...{ job, viewed }} onView={view} onHandsFull={() => setHands(true)} />
  );
  const body = (
    <StepBody
      key={step.id + String(step.stop)}
      {...{ job, step, wide }}
      selected={place.chosen}
      onSelect={setSelected}
      looking={viewed !== present}
      onPresent={() => setAhead(undefined)}
      after={wide ? <JobLog job={job} /> : undefined}
    />
  );
  const atHand = hands ? (
    <HandsFull job={job} onClose={() => setHands(false)} />
  ) : (
    <PedalKeys {...{ job, viewed }} onView={view} />
  );
  const screen = wide ? (
    <>
      <View style={styles.main}>
        {header}
        <JobOverview
          {...{ job, cells }}
          stop={place.stop}
          width={width - ASIDE - 2 * space.huge}
          onSelect={setSelected}
        />
      </View>
      <View style={[styles.aside, { borderColor: tokens.line }]}>{body}</View>
      <KeysHelp job={job} />
    </>
  ) : (
    <>
      {header}
      {place.chosen !== undefined && (
        <View style={styles.map}>
          <JobMap
            {...{ job, cells }}
            width={width - 2 * space.medium}
            onSelect={setSelected}
            oneBank
          />
        </View>
      )}
      {body}
    </>
  );
  return (
    <View style={[styles.job, { backgroundColor: tokens.ground }]}>
      <View style={[wide ? styles.wide : styles.phone, hands && styles.behind]}>{screen}</View>
      {atHand}
    </View>
  );
});

type Place = {
  /** The stop that is looked at, if it is one. */
  stop: Stop | undefined;
  /** What may be set where the crank stands. */
  lit: readonly string[];
  /** The adjuster whose panel is open; none while something else comes first. */
  chosen: string | undefined;
};

/** Which adjuster is worked on: the one that was tapped, else the one the instruction names. */
function placeOf(job: WorkingJob, viewed: number, selected: string | undefined): Place {
  const { instruction, offered, plan } = job;
  const step = job.steps[viewed];
  const stops = isRefused(plan) ? [] : plan.stops;
  const stop = step?.stop === undefined ? undefined : stops[step.stop];
  // What was just read on the round stays until one goes on: its verdict is to be seen.
  const read = selected !== undefined && job.state.adjusters[selected]?.again !== undefined;
  if (step?.id === 'round' && read && job.crank.settable.has(selected)) {
    return { stop, lit: [selected], chosen: selected };
  }
  const atWork = instruction && isAtAdjuster(instruction);
  if (!atWork || viewed !== job.present) {
    // A stop that is finished while the crank still stands there can be looked through.
    const stands = stop?.set.some(({ id }) => offered.includes(id)) ?? false;
    return { stop, lit: stands ? offered : [], chosen: undefined };
  }
  const own = stops.find(({ set }) => set.some(({ id }) => id === instruction.id));
  const here = own?.set.map(({ id }) => id) ?? [];
  const held = (id: string) => here.includes(id) && job.crank.settable.has(id);
  const chosen = selected !== undefined && held(selected) ? selected : instruction.id;
  return { stop: own, lit: here.filter(held), chosen };
}

const ASIDE = 388;

const styles = StyleSheet.create({
  job: { flex: 1, minHeight: 0 },
  phone: { flex: 1, minHeight: 0 },
  // Its step still says what its button records; nobody gets to it by keys, or hears it read.
  behind: webStyle({ visibility: 'hidden' }),
  map: { paddingHorizontal: space.medium, paddingBottom: space.small },
  wide: { flex: 1, flexDirection: 'row', minHeight: 0 },
  main: { flex: 1 },
  aside: { width: ASIDE, borderLeftWidth: 1 },
});
