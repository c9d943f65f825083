import type {
  AdjusterName,
  BladeSet,
  JobAct,
  Reading,
  SettableEntry,
  TakenReading,
  Trial,
} from '@longbar/core';
import {
  adjusterName,
  describeReading,
  formatLength,
  isRefused,
  lockPairsOf,
  lockShift,
  measureOf,
  readId,
  readingFromTrials,
} from '@longbar/core';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { useAppSelector } from '../../../state/store';
import { Act } from '../../../theme/Act';
import { Words } from '../../../theme/Words';
import type { AdjusterView } from '../adjuster/adjusterView';
import { FigureWheel } from './FigureWheel';
import { TriedBlades } from './TriedBlades';
import { TypedReading } from './TypedReading';
import type { WorkingJob } from '../model/useJob';

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

type Phase = 'found' | 'set' | 'left' | 'again';
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

/** ReadingInput a reading: with the blades in hand, or off a gauge or a wrench. */
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
    const both = set.forked && measure === 'lash' ? forkedPair(job, id) : [id];
    for (const adjuster of both) {
      act({
        type: 'reading.taken',
        adjuster,
        phase,
        reading: taken,
        ...(tried && { tried, bladeSet: set.name }),
      });
    }
  };
  if (phase === undefined) return children;
  if (measure !== 'lash') {
    return (
      <>
        <Words as="strong">{FIGURE[phase]}</Words>
        <FigureWheel
          key={phase}
          measure={measure}
          spec={entry.spec}
          reading={reading}
          onRead={(taken) => take(taken)}
        />
        <SameAgain {...{ job, id, reading }} onTake={take} />
        {children}
      </>
    );
  }
  return (
    <>
      <Words as="strong">{QUESTION[phase]}</Words>
      <TriedBlades
        {...{ job, id, phase, set, thickFirst }}
        spec={entry.spec}
        drawn={reading?.tried}
        onTry={(next) => take(readingFromTrials(next), next)}
      />
      <SameAgain {...{ job, id, reading }} onTake={take} />
      {children}
      {adjusting && <LeaveLoose job={job} />}
      {adjusting && (
        <Act
          label={beforeLock ? 'Back to the reading as found' : 'Read before locking'}
          onPress={() => setBeforeLock(!beforeLock)}
        />
      )}
      <TypedReading key={phase} set={set} onRead={(taken) => take(taken)} />
    </>
  );
}

/** What a forked blade reads at once: the pair of one kind on one cylinder, set at this stop. */
function forkedPair(job: WorkingJob, id: string): string[] {
  const { kind, cylinder } = readId(id);
  const stop = isRefused(job.plan)
    ? undefined
    : job.plan.stops.find(({ set }) => set.some((each) => each.id === id));
  const isPair = (each: AdjusterName) =>
    each.kind === kind && each.cylinder === cylinder && each.n !== undefined;
  const pair = stop?.set.filter((each) => isPair(readId(each.id))) ?? [];
  return pair.length === 2 ? pair.map((each) => each.id) : [id];
}

type SameProps = {
  job: WorkingJob;
  id: string;
  reading: TakenReading | undefined;
  onTake: (reading: Reading, tried?: Trial[]) => void;
};

/** The reading just taken on the same kind, in one tap, while this one has none. */
function SameAgain({ job, id, reading, onTake }: SameProps) {
  if (reading) return null;
  const { kind } = readId(id);
  const last = job.state.standing.findLast(
    (event) => event.type === 'reading.taken' && event.adjuster !== id,
  );
  if (last?.type !== 'reading.taken' || readId(last.adjuster).kind !== kind) return null;
  if (last.tried?.length === 0) return null;
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
      Your locking closes the gap by about {formatLength(shift)}: leave it that much loose.
    </Words>
  );
}
