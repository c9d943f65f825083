import { holdsAt } from '../barring/assembly';
import type { Adjuster } from '../engine/adjusters';
import { adjustersOf } from '../engine/adjusters';
import { adjusterName } from '../engine/adjusterEntry';
import { apart } from '../engine/angle';
import { cycleDegrees } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import { formatSetting, measureOf } from '../gauging/measure';
import type { JobEvent, KnownEvent } from '../job/journal/events';
import { isInScope } from '../job/journal/scope';
import { foldJob } from '../job/journal/fold';
import { sheetByTag } from '../job/journal/setting';
import { describeSeen } from '../job/words/describeSeen';
import type { Marked } from './exercises';
import type { Truth, Truths } from './witnessed';

/** How a job on a hidden engine went: its true end beside what was written down of it. */
export type PractisedJob = {
  events: readonly JobEvent[];
  truths: Truths;
  /** The gaps, heights and preloads as they were left, µm, by adjuster. */
  left: Record<string, number>;
  /** How far it was turned, and how far by one who does all as told, degrees. */
  turned: number;
  best: number;
};

/** A reading may be off by what a hand feels and the thinnest blade step, µm. */
const READ_WITHIN = 12;
/** What is left between two blades may lie this far outside unseen, µm. */
const LEFT_WITHIN = 25;
/** A turn by the tool may be off by so much before it misleads, degrees. */
const TURNED_WITHIN = 45;
/** Each mistake takes so many points at the least. */
const LEAST_PRICE = 5;
/** So much more turning than need be takes a point, and no more than so many points. */
const TURNING = { share: 0.05, most: 20 };

/**
 * Marks a whole job against what was true: what was read or set on a lobe, said of a rocker that
 * nobody wiggled, read as it was not, left outside, and how far the crank was turned for it. What
 * was taken back counts no more. A hundred is a job without a mistake and with no more turning
 * than one who does all as told.
 *
 * @example markJob(six, { events: [], truths: {}, left: {}, turned: 0, best: 0 }).mistakes.length // 0
 */
export function markJob(sheet: EngineSheet, job: PractisedJob): Marked {
  const state = foldJob(job.events);
  const adjusters = new Map(adjustersOf(sheetByTag(sheet, state)).map((each) => [each.id, each]));
  const cycle = cycleDegrees(sheet);
  const found = new Map<string, { id?: string; says: string }>();
  const add = (says: string | undefined, id?: string) => {
    if (says !== undefined) found.set(says, { ...(id !== undefined && { id }), says });
  };
  const standing = [...state.standing];
  for (const [i, event] of standing.entries()) {
    const truth = job.truths[event.id];
    if (!truth || isReadOn(event, standing[i + 1])) continue;
    add(ofTheCrank(event, truth, cycle));
    const adjuster = 'adjuster' in event ? adjusters.get(event.adjuster) : undefined;
    if (adjuster) add(ofTheAdjuster(event, truth, adjuster, cycle), adjuster.id);
  }
  // What was only checked is told by its reading, and that is held against the truth.
  const toSet = state.signed && !state.scope?.checkOnly ? [...adjusters.values()] : [];
  for (const adjuster of toSet) {
    const { id } = adjuster;
    const asked = isInScope(state, id) && !state.adjusters[id]?.unset;
    if (asked) add(leftOutside(adjuster, job.left[id]), id);
  }
  const mistakes = [...found.values()];
  const price = Math.max(LEAST_PRICE, 100 / Math.max(1, adjusters.size));
  const more = Math.max(0, job.turned / Math.max(1, job.best) - 1);
  const turning = Math.min(TURNING.most, Math.floor(more / TURNING.share));
  if (turning > 0) {
    const says = `It was turned by ${job.turned}°; ${job.best}° are enough.`;
    mistakes.push({ says });
  }
  const careful = 100 - price * found.size - turning;
  return { score: Math.max(0, Math.round(careful)), mistakes };
}

/** Whether a reading goes on: blade after blade is tapped, and what stands at the end is said. */
function isReadOn(event: KnownEvent, next: KnownEvent | undefined): boolean {
  if (event.type !== 'reading.taken' || next?.type !== 'reading.taken') return false;
  return event.adjuster === next.adjuster && event.phase === next.phase;
}

/** What was said of the crank and is not so. */
function ofTheCrank(event: KnownEvent, truth: Truth, cycle: number): string | undefined {
  switch (event.type) {
    case 'crank.observed':
      return event.back ? undefined : ofTheSight(event.observation, truth);
    case 'crank.turned': {
      if (event.degrees === null) return undefined;
      const off = apart(event.degrees, truth.turned, cycle);
      if (off <= TURNED_WITHIN) return undefined;
      return `You said that it was turned by ${Math.round(event.degrees)}°; it was turned by ${truth.turned}°.`;
    }
    case 'crank.held':
      return truth.disturbed === 0
        ? undefined
        : `You said that nobody had turned it. Somebody had, by ${truth.disturbed}°: look before you go on.`;
    default:
      return undefined;
  }
}

type Sight = Extract<KnownEvent, { type: 'crank.observed' }>['observation'];

function ofTheSight(seen: Sight, truth: Truth): string | undefined {
  if (seen.state !== 'loose' && seen.state !== 'firm') {
    if (truth.seen !== false) return undefined;
    return `You said ${describeSeen(seen)}. It was not so.`;
  }
  const name = adjusterName(seen.id);
  if (truth.felt === undefined) return `You said ${name} ${seen.state} and had not wiggled it.`;
  if (truth.felt === seen.state) return undefined;
  return `You said ${name} ${seen.state}. It was ${truth.felt}.`;
}

/** What was read or set where it must not be, or told otherwise than it was. */
function ofTheAdjuster(
  event: KnownEvent,
  truth: Truth,
  adjuster: Adjuster,
  cycle: number,
): string | undefined {
  const name = adjusterName(adjuster.id);
  const off = !holdsAt(adjuster, truth.crank, cycle);
  switch (event.type) {
    case 'reading.taken':
      if (off) return `${name} was read where it must not be: it stood on its lobe.`;
      return isSo(event.reading, truth.gap, adjuster)
        ? undefined
        : `${name} was written down otherwise than it was: it was ${formatSetting(measureOf(adjuster.entry), truth.gap ?? 0)}.`;
    case 'adjuster.locked':
    case 'shim.fitted':
      if (off) return `${name} was set where it must not be: it stood on its lobe.`;
      return truth.touched || !adjuster.entry.spec
        ? undefined
        : `${name} was said to be set, and was not touched.`;
    default:
      return undefined;
  }
}

function isSo(
  { go, noGo }: { go: number; noGo: number | null },
  gap: number | undefined,
  { entry }: Adjuster,
): boolean {
  if (gap === undefined || !['lash', 'height'].includes(measureOf(entry))) return true;
  return gap >= go - READ_WITHIN && (noGo === null || gap <= noGo + READ_WITHIN);
}

function leftOutside({ id, entry }: Adjuster, gap: number | undefined): string | undefined {
  const { spec } = entry;
  if (!spec || gap === undefined || measureOf(entry) !== 'lash') return undefined;
  if (gap >= spec.low - LEFT_WITHIN && gap <= spec.high + LEFT_WITHIN) return undefined;
  const limits = `${formatSetting('lash', spec.low)} to ${formatSetting('lash', spec.high)}`;
  return `${adjusterName(id)} was left at ${formatSetting('lash', gap)}; its limits are ${limits}.`;
}
