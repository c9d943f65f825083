import { entryOf } from '../../engine/adjusterEntry';
import type { AdjusterEntry, EngineSheet } from '../../engine/sheet';
import type { SettingSpec } from '../../gauging/toSet';
import type { Judgement } from '../../gauging/judgeReading';
import type { JobPolicy } from '../../gauging/policy';
import { judgeReading, verdictOf } from '../../gauging/judgeReading';
import { formatSetting, measureOf } from '../../gauging/measure';
import type { Reading } from '../../gauging/reading';
import { middleOf } from '../../gauging/reading';
import type { LengthUnit } from '../../units';
import type { AdjusterState, JobState } from '../journal/state';

/** What is to be done to an adjuster next. */
export type AdjusterStep =
  /** Read it as found (again, where the reading does not settle it). */
  | { step: 'find'; judgement?: Judgement }
  /** Say which shim is in the bucket; `closer` asks for more blades, where the gap is not known well. */
  | { step: 'shim'; judgement: Judgement; closer?: string }
  /** Measured: the shims are planned once all are. */
  | { step: 'measured'; judgement: Judgement; closer?: string }
  /** Leave it as found. */
  | { step: 'keep'; judgement: Judgement }
  /** Adjust it and lock the nut. */
  | { step: 'lock'; judgement: Judgement }
  /** Its nut was loosened, whatever was read before: set and lock it. */
  | { step: 'relock' }
  /** Read it again after locking. */
  | { step: 'reread'; judgement?: Judgement }
  /** Put the dab on the nut. */
  | { step: 'paint'; judgement: Judgement }
  /** A stand-in is in its bucket: nothing is read before its shim is fitted. */
  | { step: 'stand-in' }
  /** It cannot be set today. */
  | { step: 'unset' }
  | { step: 'done' };

/**
 * An adjuster's entry in the sheet, with the setting it must have to be judged, and the unit of the
 * blades in hand, where the words are read beside them.
 */
export type SettableEntry = Pick<AdjusterEntry, 'method' | 'measure'> & {
  spec: SettingSpec;
  marked?: LengthUnit;
};

/** What a reading says of an adjuster, by its entry. */
function judgeAt(
  { spec, marked, ...entry }: SettableEntry,
  reading: Parameters<typeof judgeReading>[1],
  policy: JobPolicy,
): Judgement {
  return judgeReading(spec, reading, policy, measureOf(entry), marked);
}

/** The next step at an adjuster, from what the journal says of it. */
export function adjusterStep(
  state: AdjusterState = {},
  entry: SettableEntry,
  policy: JobPolicy,
): AdjusterStep {
  const { found, kept, set, locked, unset, fitted, apart, off } = state;
  if (unset) return { step: 'unset' };
  if (fitted === null) return { step: 'stand-in' };
  if ((apart || off) && entry.method !== 'shim') return { step: 'relock' };
  if (isMarked(state, entry))
    return policy === 'check-only' ? { step: 'done' } : finished(state, entry);
  if (locked || typeof fitted === 'number') return afterChange(state, entry, policy);
  if (!found) return { step: set ? 'relock' : 'find' };
  const judgement = judgeAt(entry, found, policy);
  if (kept) return { step: 'paint', judgement };
  if (entry.method === 'shim' && policy !== 'check-only') return shimStep(state, entry, judgement);
  if (judgement.action === 'adjust') return { step: 'lock', judgement };
  if (set) return { step: 'relock' };
  return { step: judgement.action === 'leave' ? 'keep' : 'find', judgement };
}

/**
 * Finished, unless the figures it is held to have changed since, or the round found it outside
 * them: then it is set again on the spot.
 */
function finished(state: AdjusterState, entry: SettableEntry): AdjusterStep {
  const standing = standingReading(state);
  if (!standing) return { step: 'done' };
  const judgement = judgeAt(entry, standing, 'leave-inside');
  if (judgement.verdict !== 'tight' && judgement.verdict !== 'loose') return { step: 'done' };
  if (entry.method !== 'shim') return { step: 'lock', judgement };
  const isOpen = middleOf(standing) === undefined;
  // What the round has read from one side alone, it reads on.
  if (isOpen && standing === state.again) return { step: 'done' };
  if (isOpen && standing === state.left)
    return { step: 'reread', judgement: readOn(judgement, standing) };
  // Of one that was only checked before nobody asked which shim is in it.
  return state.shim === undefined || standing === state.found
    ? shimStep(state, entry, judgement)
    : { step: 'measured', judgement };
}

/** Whether the reading that says how an adjuster stands lies outside its limits. */
export function isOutside(sheet: EngineSheet, { adjusters }: JobState, id: string): boolean {
  const standing = standingReading(adjusters[id]);
  const entry = entryOf(sheet, id);
  if (!standing || !entry?.spec) return false;
  const verdict = verdictOf(entry.spec, standing);
  return verdict === 'tight' || verdict === 'loose';
}

/**
 * Whether an adjuster was finished, by what still stands: whoever read or locked it may have taken that
 * back since another put the dab on its nut.
 */
export function isMarked(
  state: AdjusterState = {},
  { spec }: Pick<AdjusterEntry, 'spec'>,
): boolean {
  const { painted, locked, kept, off } = state;
  if (!painted || off) return false;
  if (!spec) return locked !== undefined || kept === true;
  return standingReading(state) !== undefined;
}

/** Read again after locking or fitting: inside it is finished, outside it is set once more. */
function afterChange(
  { left }: AdjusterState,
  entry: SettableEntry,
  policy: JobPolicy,
): AdjusterStep {
  if (!left) return { step: 'reread' };
  const judgement = judgeAt(entry, left, 'leave-inside');
  if (judgement.verdict === 'unsure') return { step: 'reread', judgement };
  // Where all is only checked since, it is left as it reads.
  const isLeft = judgement.verdict === 'inside' || policy === 'check-only';
  if (isLeft) return { step: 'paint', judgement };
  if (entry.method !== 'shim') return { step: 'lock', judgement };
  if (middleOf(left) === undefined) return { step: 'reread', judgement: readOn(judgement, left) };
  return { step: 'measured', judgement, ...closerAt(entry, left) };
}

/** A shim is chosen when all are measured: a gap between two blades, and the shim that is in. */
function shimStep(
  { found, shim }: AdjusterState,
  entry: SettableEntry,
  judgement: Judgement,
): AdjusterStep {
  // One that may be outside would stay so by a plan that takes it for its middle.
  if (!found || judgement.verdict === 'unsure') return { step: 'find', judgement };
  if (middleOf(found) === undefined) return { step: 'find', judgement: readOn(judgement, found) };
  return { step: shim === undefined ? 'shim' : 'measured', judgement, ...closerAt(entry, found) };
}

/**
 * What is told of a bucket whose reading is wider than its limits are apart: the shim that is reckoned
 * from its middle may leave it outside them, and the cam comes out once more. Nobody is kept from
 * going on, for they may have no blade between.
 */
function closerAt(
  { spec, marked, ...entry }: SettableEntry,
  { go, noGo }: Pick<Reading, 'go' | 'noGo'>,
): { closer?: string } {
  if (noGo === null || noGo - go <= spec.high - spec.low) return {};
  const half = formatSetting(measureOf(entry), Math.ceil((noGo - go) / 2), marked);
  return { closer: `Known to ±${half} only: try a blade between.` };
}

/**
 * What is told of a bucket by its reading: where that is outside the limits and open at one end, to read
 * on.
 *
 * @example readOn(judgeReading({ low: 280, target: 330, high: 380 }, { go: 390, noGo: null }, 'leave-inside'), { go: 390, noGo: null }).action
 *   // 'read-again'
 */
export function readOn(judgement: Judgement, reading: Pick<Reading, 'go' | 'noGo'>): Judgement {
  const { verdict } = judgement;
  if ((verdict !== 'tight' && verdict !== 'loose') || middleOf(reading) !== undefined)
    return judgement;
  const { noGo } = reading;
  const way =
    noGo === null ? 'thicker blades until one does not enter' : 'thinner ones until one enters';
  const why = `${judgement.says} Its shim is reckoned from the gap: try ${way}.`;
  return { ...judgement, action: 'read-again', why };
}

/**
 * Whether a bucket stands outside its limits by a reading that is open at one end: until it is read on,
 * no shim can be reckoned from it.
 */
export function isToReadOn(sheet: EngineSheet, state: JobState, id: string): boolean {
  if (state.scope?.checkOnly || entryOf(sheet, id)?.method !== 'shim') return false;
  const standing = standingReading(state.adjusters[id]);
  return standing !== undefined && middleOf(standing) === undefined && isOutside(sheet, state, id);
}

/** The reading that says how the adjuster stands now: after the lock, or as found and left so. */
export function standingReading(state: AdjusterState = {}) {
  const { again, left, kept, checked, found, locked, fitted } = state;
  const isLeftSo = kept || (checked && !locked && typeof fitted !== 'number');
  return again ?? left ?? (isLeftSo ? found : undefined);
}

/** Whether an adjuster was changed, or backed off, and not read since: nobody knows how it stands. */
export function standsUnread({ adjusters, crank }: JobState, id: string): boolean {
  const { set, locked, fitted, apart } = adjusters[id] ?? {};
  const changed = [set, locked, fitted, apart].some((each) => each !== undefined);
  if (!changed && !crank.loosened.includes(id)) return false;
  return standingReading(adjusters[id]) === undefined;
}
