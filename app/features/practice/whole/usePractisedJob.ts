import type {
  JobAct,
  JobContext,
  JobEvent,
  Marked,
  Shop,
  WholeTask,
  WitnessedEngine,
} from '@longbar/core';
import {
  EngineJournal,
  hiddenEngine,
  leftAt,
  markJob,
  SeededRandom,
  witnessed,
} from '@longbar/core';
import { useCallback, useMemo, useState } from 'react';
import { useAppSelector } from '../../../state/store';
import { Telling } from '../../../state/telling';
import type { Told } from '../../../ui/useAfterPaint';
import { useAfterPaint } from '../../../ui/useAfterPaint';
import { TapsAtOneDrawing } from '../../job/model/tapsAtOneDrawing';
import { useClock } from '../../job/model/useJob';
import type { WorkingJob } from '../../job/model/workingJob';
import { jobAtWork } from '../../job/model/workingJob';

/** How often the clock is read while a job is practised, ms. */
const TICK = 20_000;
/** After these acts one may be called away: nothing is in hand then. */
const AT_REST: ReadonlySet<JobAct['type']> = new Set(['adjuster.painted', 'crank.turned']);
/** So much more often than at each of any acts. */
const OFTENER = 4;

export type PractisedJob = {
  job: WorkingJob;
  engine: WitnessedEngine;
  /** Its journal with the last tap in it; the job follows once that is painted. */
  told: Told<readonly JobEvent[]>;
  /** As it is drawn. */
  drawn: readonly JobEvent[];
  /** How often one was called away. */
  away: number;
  /** How it went, once it is signed. */
  marked: Marked | undefined;
};

/** A job on a hidden engine, as the real screens work with one: nothing of it leaves the phone. */
export function usePractisedJob(task: WholeTask, shop: Shop): PractisedJob {
  const name = useAppSelector((state) => state.preferences.name);
  const standsAt = useAppSelector((state) => state.preferences.standsAt);
  const by = name || 'You';
  const [{ context, journal, random }] = useState(() => begin(task, shop, by));
  const [told] = useState(() => new Telling<readonly JobEvent[]>(journal.events));
  // As in a true job: the answer to a tap is painted before all else is worked out.
  const drawn = useAfterPaint(told);
  const [away, setAway] = useState(0);
  const now = useClock(TICK);
  const [taps] = useState(() => new TapsAtOneDrawing());
  const actAs = useCallback(
    (person: string, ...acts: JobAct[]) => {
      if (taps.isTooLate(drawn, acts)) return;
      // What one tap says has one instant, as in a true job.
      const at = new Date().toISOString();
      const envelope = () => ({ id: crypto.randomUUID(), at, by: person });
      for (const act of acts) journal.tell(act, envelope);
      const chance = OFTENER * (task.faults.interrupted ?? 0);
      if (acts.some(({ type }) => AT_REST.has(type)) && random.next() < chance) {
        journal.tell(journal.calledAway(random).act, envelope);
        setAway((times) => times + 1);
      }
      told.change(journal.events);
    },
    [drawn, journal, random, taps, task, told],
  );
  const job = useMemo(
    () => jobAtWork({ context, events: [...drawn] }, now, by, standsAt, actAs),
    [context, drawn, now, by, standsAt, actAs],
  );
  const marked = useMemo(
    () => (job.state.signed ? markOf(task, journal) : undefined),
    [job.state.signed, task, journal],
  );
  return { job, engine: journal.engine, told, drawn, away, marked };
}

function markOf(task: WholeTask, { events, truths, engine }: EngineJournal): Marked {
  const left = leftAt(engine, task.sheet);
  return markJob(task.sheet, {
    events,
    truths,
    left,
    turned: engine.turnedInAll(),
    best: task.best,
  });
}

/** The journal of a job that is begun now, and the engine it is worked at. */
function begin(task: WholeTask, shop: Shop, by: string) {
  const { sheet, method, seed, crank, faults } = task;
  const engine = witnessed(hiddenEngine(sheet, { seed, crank, faults }));
  const ids = { id: crypto.randomUUID(), machine: crypto.randomUUID() };
  const head = { ...ids, method, sheetRevision: 1, at: new Date().toISOString(), by };
  const { policy, round, bladeSets } = shop;
  const context: JobContext = { head, machineName: sheet.name, sheet, shop, lastLeft: null };
  const journal = new EngineJournal({ head, sheet, policy, round, bladeSets }, engine);
  return { context, journal, random: new SeededRandom(seed ^ 0xa3a7) };
}
