import type { Spec } from '../engine/sheet';
import type { Judgement, ShopPolicy } from '../gauging/judgeReading';
import { judgeReading } from '../gauging/judgeReading';
import type { AdjusterState } from './fold';

/** What is to be done to an adjuster next. */
export type AdjusterStep =
  /** Read it as found (again, where the reading does not settle it). */
  | { step: 'find'; judgement?: Judgement }
  /** Leave it as found. */
  | { step: 'keep'; judgement: Judgement }
  /** Adjust it and lock the nut. */
  | { step: 'lock'; judgement: Judgement }
  /** Read it again after locking. */
  | { step: 'reread'; judgement?: Judgement }
  /** Put the dab on the nut. */
  | { step: 'paint'; judgement: Judgement }
  | { step: 'done' };

/** The next step at an adjuster, from what the journal says of it. */
export function adjusterStep(
  state: AdjusterState | undefined,
  spec: Spec,
  policy: ShopPolicy,
): AdjusterStep {
  const { found, kept, locked, left, painted } = state ?? {};
  if (painted) return { step: 'done' };
  if (locked) {
    if (!left) return { step: 'reread' };
    const judgement = judgeReading(spec, left, 'leave-inside');
    if (judgement.verdict === 'unsure') return { step: 'reread', judgement };
    return { step: judgement.verdict === 'inside' ? 'paint' : 'lock', judgement };
  }
  if (!found) return { step: 'find' };
  const judgement = judgeReading(spec, found, policy);
  if (kept) return { step: 'paint', judgement };
  if (judgement.action === 'read-again') return { step: 'find', judgement };
  return { step: judgement.action === 'leave' ? 'keep' : 'lock', judgement };
}

/** The reading that says how the adjuster stands now: after the lock, or as found and kept. */
export function standingReading(state: AdjusterState | undefined) {
  return state?.again ?? state?.left ?? (state?.kept ? state.found : undefined);
}
