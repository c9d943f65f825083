import type {
  AdjusterState,
  Judgement,
  SettableEntry,
  JobPolicy,
  TakenReading,
} from '@longbar/core';
import { adjusterStep, judgeReading, measureOf, readOn } from '@longbar/core';

/** What the panel of one adjuster shows: which reading is being taken, and what may be done. */
export type AdjusterView = {
  /** The reading the blades write to; none while nothing is to be read. */
  reads?: 'found' | 'left' | 'again';
  reading?: TakenReading;
  judgement?: Judgement;
  /** What asks for more blades, where a shim is reckoned from a gap that is not known well. */
  closer?: string;
  /** `unsettled`: the reading spans a limit; it may be left or set as it is all the same. */
  offers:
    'nothing' | 'unsettled' | 'keep' | 'lock' | 'shim' | 'measured' | 'paint' | 'unset' | 'done';
};

/** Whether it is set now, or a shim chosen for it: only then it is asked what it is set to. */
export function isBeingSet({ offers, reads }: AdjusterView): boolean {
  return reads === 'left' || offers === 'lock' || offers === 'shim' || offers === 'measured';
}

/** The view of an adjuster at a stop (`found`) or on the round again (`again`). */
export function adjusterView(
  state: AdjusterState = {},
  entry: SettableEntry,
  policy: JobPolicy,
  phase: 'found' | 'again',
): AdjusterView {
  if (phase === 'again' && state.painted) return againView(state, entry, policy);
  const next = adjusterStep(state, entry, policy);
  if (next.step === 'done') return { offers: 'done', ...show(state.left ?? state.found) };
  if (next.step === 'unset') return { offers: 'unset', ...show(state.left ?? state.found) };
  if (next.step === 'stand-in') return { offers: 'nothing' };
  // What was read before it was loosened stays as it is.
  if (next.step === 'relock') return { offers: 'lock' };
  const changed = state.locked !== undefined || typeof state.fitted === 'number';
  const reads = changed ? 'left' : 'found';
  const base = { ...show(state[reads]), ...(next.judgement && { judgement: next.judgement }) };
  if (next.step === 'find' || next.step === 'reread') {
    // A reading that is open at one end is only begun.
    const { go = 0, noGo = null } = state[reads] ?? {};
    const spans = next.judgement?.verdict === 'unsure' && go > 0 && noGo !== null;
    return { ...base, reads, offers: spans ? 'unsettled' : 'nothing' };
  }
  if (next.step === 'paint') return { ...base, ...(changed && { reads }), offers: 'paint' };
  const closer = 'closer' in next && { closer: next.closer };
  return { ...base, ...closer, reads, offers: next.step };
}

function againView(
  { again }: AdjusterState,
  entry: SettableEntry,
  policy: JobPolicy,
): AdjusterView {
  if (!again) return { reads: 'again', offers: 'nothing' };
  const rule = policy === 'check-only' ? policy : 'leave-inside';
  const judged = judgeReading(entry.spec, again, rule, measureOf(entry), entry.marked);
  const isPlanned = entry.method === 'shim' && rule !== 'check-only';
  const judgement = isPlanned ? readOn(judged, again) : judged;
  const wrong = judgement.verdict === 'tight' || judgement.verdict === 'loose';
  // A shim that is wrong is planned anew; a screw is set on the spot.
  const spans = judgement.verdict === 'unsure' && again.go > 0 && again.noGo !== null;
  const sets = rule !== 'check-only' && !isPlanned;
  const offers = spans ? 'unsettled' : wrong && sets ? 'lock' : 'nothing';
  return { reads: 'again', reading: again, judgement, offers };
}

function show(reading: TakenReading | undefined) {
  return reading ? { reading } : {};
}
