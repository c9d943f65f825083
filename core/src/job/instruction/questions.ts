import type { EngineSheet } from '../../engine/sheet';
import { adjustersOf } from '../../engine/adjusters';
import { adjusterName } from '../../engine/adjusterEntry';
import { judgeReading } from '../../gauging/judgeReading';
import { measureOf } from '../../gauging/measure';
import type { Reading } from '../../gauging/reading';
import { middleOf } from '../../gauging/reading';
import { slipOf } from '../../gauging/slips';
import { median, robustDeviation } from '../../statistics';
import type { JobState } from '../journal/state';

/** Something to look into before the adjuster is touched; `key` goes with the answer. */
export type Question = {
  key: string;
  /** A slip of the hand is read again; a finding is looked at. */
  kind: 'slip' | 'finding';
  says: string;
  /** What to look at first. */
  look?: string;
};

/** What the question is asked from, besides the journal. */
export type QuestionEvidence = {
  sheet: EngineSheet;
  /** What each adjuster was left at last time. */
  left: Record<string, Reading>;
  /** The blades of the set in hand, µm. */
  blades: readonly number[];
};

/** Readings this far from their kind are told from ordinary scatter, robust deviations. */
const FAR = 3.5;
/** The least scatter taken for granted, µm. */
const FLOOR = 15;
const FEWEST_NEIGHBOURS = 4;

/**
 * The questions that the reading as found of an adjuster raises and nobody has answered: a
 * slip it looks like, or a finding that this job can see. None once it is kept or changed.
 */
export function questionsAt(state: JobState, id: string, evidence: QuestionEvidence): Question[] {
  const { found, kept, locked, fitted, painted } = state.adjusters[id] ?? {};
  if (!found || kept || locked || painted || fitted !== undefined) return [];
  const at = `${id} ${found.go}–${found.noGo ?? '∞'}`;
  const asked = [slipAt(state, id, evidence), findingAt(state, id, evidence.sheet)];
  return asked
    .flatMap((question) => (question ? [{ ...question, key: `${at} ${question.key}` }] : []))
    .filter(({ key }) => !state.answers[key]);
}

const OTHER = { intake: 'exhaust', exhaust: 'intake' } as const;

function slipAt(state: JobState, id: string, evidence: QuestionEvidence): Question | undefined {
  const { sheet, left, blades } = evidence;
  const all = adjustersOf(sheet);
  const own = all.find((each) => each.id === id);
  const found = state.adjusters[id]?.found;
  if (!own?.entry.spec || !found) return undefined;
  const kind = OTHER[own.kind as 'intake' | 'exhaust'];
  const beside = all.find(
    ({ cylinder, ...each }) => cylinder === own.cylinder && each.kind === kind,
  );
  const slip = slipOf({
    spec: own.entry.spec,
    reading: found,
    left: left[id],
    blades,
    typed: found.tried === undefined,
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
  const middle = found && middleOf(found);
  if (!own?.entry.spec || !found || middle === undefined || measureOf(own.entry) !== 'lash') {
    return undefined;
  }
  const { low, high } = own.entry.spec;
  if (middle < low - (high - low))
    return finding('far-tight', 'Far tighter than its limits.', TIGHT);
  if (middle > high + (high - low))
    return finding('far-loose', 'Far looser than its limits.', LOOSE);
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
    middle,
    all.filter(({ kind }) => kind === own.kind),
  );
}

function unlikeNeighbours(
  state: JobState,
  id: string,
  middle: number,
  kind: readonly { id: string }[],
): Question | undefined {
  const others = kind.flatMap((each) => {
    const found = each.id === id ? undefined : state.adjusters[each.id]?.found;
    return (found && middleOf(found)) ?? [];
  });
  if (others.length < FEWEST_NEIGHBOURS) return undefined;
  const off = middle - median(others);
  if (Math.abs(off) <= FAR * Math.max(FLOOR, robustDeviation(others))) return undefined;
  return off < 0
    ? finding('unlike-tight', 'Much tighter than the others of its kind.', TIGHT)
    : finding('unlike-loose', 'Much looser than the others of its kind.', LOOSE);
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
