import type { BarringMethod } from '../barring/methods';
import { firstRockers } from '../crank/mostTelling';
import { planWork } from '../crank/planWork';
import { cycleDegrees } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import { foldJob } from '../job/journal/fold';
import { SeededRandom } from '../seededRandom';
import type { Level } from './exercise';
import type { Faults } from './hiddenEngine';
import { markJob } from './markJob';
import { simulateJob } from './simulateJob';
import type { Result } from '../result';
import { isRefused } from '../result';

/** A whole job to practise: the engine, what is wrong with it, and what the best made of it. */
export type WholeTask = {
  sheet: EngineSheet;
  method: BarringMethod;
  seed: number;
  /** Where the crank stands at the beginning, degrees. */
  crank: number;
  faults: Faults;
  /** How far one who does all as told turns it in all, degrees. */
  best: number;
};

/** What locking closes a gap by, µm: about two blades. */
const LOCK_SHIFT = 40;
const OVERSHOOT = 0.12;
const INTERRUPTED = 0.04;
/** How far a rim may have slipped, degrees: the ones that its rockers are sure to tell. */
const SLIPS = [120, 180, 240, 90, 270, 60];

/**
 * A whole job to practise on a sheet: at level 1 one valve is tight; at level 2 locking moves the
 * gaps as well, one is called away, and the bar may go past; at level 3 a cylinder was set with
 * intake and exhaust exchanged, and the marks are not where the sheet has them, where the rockers
 * can tell it. Refused where no method serves the engine.
 *
 * `wholeTask(sheet, seedOfDay('2026-11-27'), 2)`
 */
export function wholeTask(sheet: EngineSheet, seed: number, level: Level): Result<WholeTask> {
  const random = new SeededRandom(seed);
  const method = (['two-position', 'each'] as const).find(
    (each) => !isRefused(planWork(sheet, { method: each })),
  );
  if (!method)
    return { refused: 'no-method', says: 'No method serves this engine. Practise on another.' };
  const [tight, other] = random.shuffled(sheet.firing.order);
  const crank = random.whole(0, cycleDegrees(sheet) - 1);
  const rocker = tight === undefined ? undefined : random.one(firstRockers(sheet, tight)).id;
  const still: Faults = {
    ...(rocker !== undefined && { tight: [rocker] }),
    ...(level >= 2 && { lockShift: LOCK_SHIFT, overshoot: OVERSHOOT, interrupted: INTERRUPTED }),
    ...(level >= 3 && other !== undefined && { swapped: [other] }),
  };
  const base = { sheet, method, seed, crank };
  const slip =
    level >= 3 ? random.shuffled(SLIPS).find((by) => isTold(base, still, by)) : undefined;
  const faults: Faults = { ...still, ...(slip !== undefined && { slippedRim: slip }) };
  return { ...base, faults, best: played(base, faults)?.turned ?? cycleDegrees(sheet) };
}

type Base = Pick<WholeTask, 'sheet' | 'method' | 'seed' | 'crank'>;

/** The job as one who does all as told plays it. */
function played({ sheet, method, seed, crank }: Base, faults: Faults) {
  const job = { method, policy: 'leave-inside', start: crank, seed, faults } as const;
  const outcome = simulateJob(sheet, job);
  return isRefused(outcome) ? undefined : outcome;
}

/** Whether whoever does all as told finds out that the marks are wrong before it does harm. */
function isTold(base: Base, still: Faults, slippedRim: number): boolean {
  if (!base.sheet.marks?.length) return false;
  const outcome = played(base, { ...still, slippedRim });
  if (!outcome || !foldJob(outcome.events).marksDoubted) return false;
  return markJob(base.sheet, { ...outcome, best: outcome.turned }).mistakes.length === 0;
}
