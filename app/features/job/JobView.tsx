import { itemAt } from '@longbar/core';
import { memo, useCallback, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTokens } from '../../theme/ThemeProvider';
import { PrimaryProvider } from '../../ui/primary';
import { crankAngle, jobCells } from './engine/jobCells';
import { JobHeader } from './frame/JobHeader';
import { JobLog } from './frame/JobLog';
import { useJobLayout } from './frame/useJobLayout';
import { TurnerProvider } from './helper/Turner';
import { HandsFull } from './hands/HandsFull';
import { PedalKeys } from './hands/PedalKeys';
import { JobLaidOut } from './JobLaidOut';
import { StepBody } from './StepBody';
import { lookedAt } from './model/lookedAt';
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
  const wide = useJobLayout().picture === 'engine';
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
  const place = lookedAt(job, viewed, selected);
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
  return (
    <View style={[styles.job, { backgroundColor: tokens.ground }]}>
      <JobLaidOut {...{ job, place, cells, header, body }} behind={hands} onSelect={setSelected} />
      {atHand}
    </View>
  );
});

const styles = StyleSheet.create({
  job: { flex: 1, minHeight: 0 },
});
