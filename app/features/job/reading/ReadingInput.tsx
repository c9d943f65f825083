import type { BladeSet, JobAct, Reading, SettableEntry, TakenReading, Trial } from '@longbar/core';
import {
  adjusterName,
  describeReading,
  formatSetting,
  lastAlike,
  lockPairsOf,
  lockShift,
  measureOf,
  readingFromTrials,
} from '@longbar/core';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { useAppSelector } from '../../../state/store';
import { Act } from '../../../ui/Act';
import { Words } from '../../../ui/Words';
import type { AdjusterView } from '../adjuster/adjusterView';
import { FigureWheel } from './FigureWheel';
import { GaugeInput } from './GaugeInput';
import { TriedBlades } from './TriedBlades';
import type { Phase } from './takeReading';
import { readingActs } from './takeReading';
import { TypedReading } from './TypedReading';
import type { WorkingJob } from '../model/workingJob';

type Props = {
  job: WorkingJob;
  id: string;
  entry: SettableEntry;
  set: BladeSet;
  view: AdjusterView;
  /** Whether a question about the reading is to be answered first. */
  asked: boolean;
  act: (act: JobAct) => void;
  say: (words: string) => void;
  /** What the reading says, between it and what else may be done. */
  children: ReactNode;
};

const QUESTION: Record<Phase, string> = {
  found: 'As found: which enter?',
  set: 'As set, before locking: which enter?',
  left: 'Locked. Read again:',
  again: 'Once more: which enter?',
};
const FIGURE: Record<Phase, string> = {
  found: 'As found: what does it show?',
  set: 'As set, before locking:',
  left: 'Locked. Read again:',
  again: 'Once more: what does it show?',
};

/** Takes a reading: with the blades in hand, or off a gauge or a wrench. */
export function ReadingInput({ job, id, entry, set, view, asked, act, say, children }: Props) {
  const thickFirst = useAppSelector((all) => all.preferences.thickFirst);
  const [beforeLock, setBeforeLock] = useState(false);
  const state = job.state.adjusters[id];
  const measure = measureOf(entry);
  const adjusting = view.offers === 'lock' && measure === 'lash' && !asked;
  const phase: Phase | undefined = adjusting && beforeLock ? 'set' : view.reads;
  const reading = phase === 'set' ? state?.set : view.reading;
  const take = (taken: Reading, tried?: Trial[]) => {
    say(tried?.length === 0 ? 'cleared' : describeReading(taken));
    if (phase === undefined) return;
    for (const each of readingActs(job, { id, phase, set }, taken, tried)) act(each);
  };
  if (phase === undefined) return children;
  const typedFor = { measure, spec: entry.spec, set };
  if (measure !== 'lash') {
    return (
      <>
        <FigureWheel
          key={`${phase} wheel`}
          question={FIGURE[phase]}
          measure={measure}
          spec={entry.spec}
          reading={reading}
          onRead={(taken) => take(taken)}
        />
        <TypedReading key={`${phase} typed`} of={typedFor} onRead={(taken) => take(taken)} />
        <GaugeInput key={`${phase} gauge`} of={typedFor} onRead={(taken) => take(taken)} />
        <SameAgain {...{ job, id, phase, reading }} onTake={take} />
        {children}
      </>
    );
  }
  return (
    <>
      <Words as="strong">{QUESTION[phase]}</Words>
      <TriedBlades
        // Where a tight one was found lies far from the blades that are to be tried after the lock.
        key={`${phase} blades`}
        {...{ job, id, phase, set, thickFirst }}
        spec={entry.spec}
        drawn={reading?.tried}
        onTry={(next) => take(readingFromTrials(next), next)}
      />
      <SameAgain {...{ job, id, phase, reading }} onTake={take} />
      {children}
      {adjusting && <LeaveLoose job={job} />}
      {adjusting && (
        <Act
          label={beforeLock ? 'Back to the reading as found' : 'Read before locking'}
          onPress={() => setBeforeLock(!beforeLock)}
        />
      )}
      <TypedReading key={`${phase} typed`} of={typedFor} onRead={(taken) => take(taken)} />
      <GaugeInput key={`${phase} gauge`} of={typedFor} onRead={(taken) => take(taken)} />
    </>
  );
}

type SameProps = {
  job: WorkingJob;
  id: string;
  phase: Phase;
  reading: TakenReading | undefined;
  onTake: (reading: Reading, tried?: Trial[]) => void;
};

/** The last reading of the same kind in the same phase, in one tap, while this one has none. */
function SameAgain({ job, id, phase, reading, onTake }: SameProps) {
  const last = reading ? undefined : lastAlike(job.state, id, phase);
  if (!last) return null;
  return (
    <Act
      label={`Same as ${adjusterName(last.adjuster)}: ${describeReading(last.reading)}`}
      onPress={() => onTake(last.reading, last.tried)}
    />
  );
}

/** What this person's locking closes the gap by, once that can be told. */
function LeaveLoose({ job: { state, context, by } }: { job: WorkingJob }) {
  const all = [...(context.lockPairs ?? []), ...lockPairsOf(state)];
  const pairs = all.filter((pair) => pair.by === by);
  const shift = lockShift(pairs);
  if (shift === null || shift <= 0) return null;
  return (
    <Words as="note">
      Your locking closes the gap by about {formatSetting('lash', shift)}: leave it that much loose.
    </Words>
  );
}
