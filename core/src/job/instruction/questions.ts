import type { EngineSheet } from '../../engine/sheet';
import { plainBlades } from '../../gauging/blades';
import { adjustersOf } from '../../engine/adjusters';
import { adjusterName } from '../../engine/adjusterEntry';
import { judgeReading } from '../../gauging/judgeReading';
import { measureOf } from '../../gauging/measure';
import { middleOf } from '../../gauging/reading';
import { slipOf } from '../../gauging/slips';
import { median, robustDeviation } from '../../statistics';
import type { JobSetting } from '../journal/setting';
import type { AdjusterState, JobState, TakenReading } from '../journal/state';

/** The adjuster that a question was asked of, by the question's key. */
export function adjusterAsked(key: string): string {
  return key.split(' ')[0] ?? '';
}

/** Something to look into before the adjuster is touched; `key` goes with the answer. */
export type Question = {
  key: string;
  /** A slip of the hand is read again; a finding is looked at. */
  kind: 'slip' | 'finding';
  says: string;
  /** What to look at first. */
  look?: string;
};

/** What the questions are asked from, besides the journal. */
export type QuestionEvidence = Pick<JobSetting, 'sheet' | 'lastLeft' | 'bladeSets'>;

/** Readings this far from their kind are told from ordinary scatter, robust deviations. */
const FAR = 3.5;
/** The least scatter taken for granted, µm. */
const FLOOR = 15;
const FEWEST_NEIGHBOURS = 4;

/**
 * The questions that the last reading of an adjuster raises and nobody has answered: a slip it
 * looks like, as found or after locking, or a finding that this job can see as found. None once
 * it is left as found or finished.
 */
export function questionsAt(evidence: QuestionEvidence, state: JobState, id: string): Question[] {
  const { phase, reading } = judged(state.adjusters[id] ?? {}) ?? {};
  if (!reading) return [];
  const at = `${id} ${phase === 'left' ? 'left ' : ''}${reading.go}–${reading.noGo ?? '∞'}`;
  const finding = phase === 'found' ? findingAt(state, id, evidence.sheet) : undefined;
  const asked = [slipAt(evidence, state, id, reading), finding];
  return asked
    .flatMap((question) => (question ? [{ ...question, key: `${at} ${question.key}` }] : []))
    .filter(({ key }) => !state.answers[key]);
}

/** The reading that is judged now, while nothing was decided on it. */
function judged({ found, left, kept, painted, locked, fitted }: AdjusterState) {
  if (kept || painted) return undefined;
  const changed = locked !== undefined || fitted !== undefined;
  const reading = changed ? left : found;
  return reading && { phase: changed ? ('left' as const) : ('found' as const), reading };
}

const OTHER = { intake: 'exhaust', exhaust: 'intake' } as const;

function slipAt(
  { sheet, lastLeft, bladeSets = [] }: QuestionEvidence,
  state: JobState,
  id: string,
  reading: TakenReading,
): Question | undefined {
  const all = adjustersOf(sheet);
  const own = all.find((each) => each.id === id);
  if (!own?.entry.spec) return undefined;
  const blades = bladeSets.find(({ name }) => name === reading.bladeSet) ?? bladeSets[0];
  const kind = own.kind === 'intake' || own.kind === 'exhaust' ? OTHER[own.kind] : undefined;
  const beside = all.find(
    ({ cylinder, ...each }) => cylinder === own.cylinder && each.kind === kind,
  );
  const slip = slipOf({
    spec: own.entry.spec,
    measure: measureOf(own.entry),
    reading,
    // What it was left at last time says nothing of what it was just set to.
    ...(reading === state.adjusters[id]?.found && { left: lastLeft?.readings[id] }),
    ...(blades && { blades: plainBlades(blades) }),
    typed: reading.tried === undefined,
    ...(beside?.entry.spec && {
      other: {
        name: adjusterName(beside.id),
        spec: beside.entry.spec,
        reading: state.adjusters[beside.id]?.found,
      },
    }),
  });
  return slip && { key: slip.slip, kind: 'slip', says: slip.says };
}

function findingAt(state: JobState, id: string, sheet: EngineSheet): Question | undefined {
  const all = adjustersOf(sheet);
  const own = all.find((each) => each.id === id);
  const found = state.adjusters[id]?.found;
  if (!own?.entry.spec || !found || measureOf(own.entry) !== 'lash') return undefined;
  const { low, high } = own.entry.spec;
  const range = high - low;
  const gap = gapOf(found, range);
  if (gap.most < low - range) return finding('far-tight', 'Far tighter than its limits.', TIGHT);
  if (gap.least > high + range) return finding('far-loose', 'Far looser than its limits.', LOOSE);
  const both = all
    .filter(({ cylinder, kind }) => cylinder === own.cylinder && kind in OTHER)
    .map((each) => ({ each, reading: state.adjusters[each.id]?.found }));
  const tight = both.every(
    ({ each: { entry }, reading }) =>
      entry.spec &&
      reading &&
      judgeReading(entry.spec, reading, 'leave-inside').verdict === 'tight',
  );
  if (tight && both.length > 1) {
    return finding('both-tight', `Both valves of cylinder ${own.cylinder} are tight.`, BOTH);
  }
  return unlikeNeighbours(
    state,
    id,
    gap,
    all.filter(({ kind }) => kind === own.kind),
  );
}

/** How wide a gap is at least and at most, µm. */
type Gap = { least: number; most: number };

/**
 * A gap by its reading: the middle, where the blades lie no further apart than the limits do. Of a
 * wider reading nothing is known but its ends: one blade that does not enter says how wide the gap is
 * at most, and nobody is told of a finding that may be none.
 */
function gapOf(reading: TakenReading, range: number): Gap {
  const { go, noGo } = reading;
  const middle = middleOf(reading);
  if (noGo !== null && middle !== undefined && noGo - go <= range) {
    return { least: middle, most: middle };
  }
  return { least: go, most: noGo ?? Infinity };
}

function unlikeNeighbours(
  state: JobState,
  id: string,
  { least, most }: Gap,
  kind: readonly { id: string }[],
): Question | undefined {
  const others = kind.flatMap((each) => {
    const found = each.id === id ? undefined : state.adjusters[each.id]?.found;
    return (found && middleOf(found)) ?? [];
  });
  if (others.length < FEWEST_NEIGHBOURS) return undefined;
  const usual = median(others);
  const far = FAR * Math.max(FLOOR, robustDeviation(others));
  if (most < usual - far)
    return finding('unlike-tight', 'Much tighter than the others of its kind.', TIGHT);
  if (least > usual + far)
    return finding('unlike-loose', 'Much looser than the others of its kind.', LOOSE);
  return undefined;
}

function finding(key: string, says: string, look: string): Question {
  return { key, kind: 'finding', says, look };
}

const TIGHT =
  'Look at the valve before turning anything: a seat that recedes closes the gap. Is the rocker down on its tip and the foot free?';
const LOOSE =
  'Look before turning anything: the locknut, the push rod straight and in its cup, the lobe and the tappet for wear, the bridge level.';
const BOTH =
  'Make sure the crank is on the right turn: on the wrong one both are held. If it is, look at the seats of this cylinder.';
