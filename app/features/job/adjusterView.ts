import type { AdjusterState, Judgement, ShopPolicy, Spec, TakenReading } from '@longbar/core';
import { adjusterStep, judgeReading } from '@longbar/core';

/** What the panel of one adjuster shows: which reading is being taken, and what may be done. */
export type AdjusterView = {
  /** The reading the blades write to; none while nothing is to be read. */
  reads?: 'found' | 'left' | 'again';
  reading?: TakenReading;
  judgement?: Judgement;
  offers: 'nothing' | 'keep' | 'lock' | 'paint' | 'done';
};

/** The view of an adjuster at a stop (`found`) or on the round again (`again`). */
export function adjusterView(
  state: AdjusterState = {},
  spec: Spec,
  policy: ShopPolicy,
  phase: 'found' | 'again',
): AdjusterView {
  if (phase === 'again' && state.painted) return againView(state, spec);
  const next = adjusterStep(state, spec, policy);
  if (next.step === 'done') return { offers: 'done', ...show(state.left ?? state.found) };
  const reads = state.locked ? 'left' : 'found';
  const base = { ...show(state[reads]), ...(next.judgement && { judgement: next.judgement }) };
  switch (next.step) {
    case 'find':
    case 'reread':
      return { ...base, reads, offers: 'nothing' };
    case 'keep':
    case 'lock':
      return { ...base, reads, offers: next.step };
    case 'paint':
      return { ...base, ...(state.locked && { reads }), offers: 'paint' };
  }
}

function againView({ again }: AdjusterState, spec: Spec): AdjusterView {
  if (!again) return { reads: 'again', offers: 'nothing' };
  const judgement = judgeReading(spec, again, 'leave-inside');
  const wrong = judgement.verdict === 'tight' || judgement.verdict === 'loose';
  return { reads: 'again', reading: again, judgement, offers: wrong ? 'lock' : 'nothing' };
}

function show(reading: TakenReading | undefined) {
  return reading ? { reading } : {};
}
