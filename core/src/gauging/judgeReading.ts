import type { Spec } from '../engine/sheet';
import { formatLength } from '../units';
import { NEAR_ENOUGH } from './blades';
import type { Reading } from './reading';

/** How a shop decides: leave what is inside, reset all, or aim at the loose side. */
export type ShopPolicy = 'leave-inside' | 'reset-all' | 'loose-side';
export type Verdict = 'tight' | 'loose' | 'inside' | 'unsure';
export type Action = 'leave' | 'adjust' | 'read-again';
export type Judgement = {
  verdict: Verdict;
  action: Action;
  /** The limits to try, µm, where the reading spans one. */
  settle?: number[];
  why: string;
};

/**
 * Judges a reading in µm against low, target and high by the shop's policy. A blade within
 * 6 µm of a limit counts as it: inch blades never meet mm limits.
 */
export function judgeReading(
  spec: Spec,
  reading: Pick<Reading, 'go' | 'noGo'>,
  policy: ShopPolicy,
): Judgement {
  const go = snapped(reading.go, spec);
  const noGo = reading.noGo === null ? Infinity : snapped(reading.noGo, spec);
  const verdict = verdictOf(spec, go, noGo);
  const settle = [spec.low, spec.high].filter((limit) => go < limit && limit < noGo);
  const { action, because } = decide(spec, go, noGo, verdict, policy);
  return {
    verdict,
    action,
    ...(verdict === 'unsure' && { settle }),
    why: `${finding(spec, go, noGo, verdict, settle)} ${because}`,
  };
}

function snapped(blade: number, { low, target, high }: Spec): number {
  const [nearest] = [low, target, high].sort((a, b) => Math.abs(a - blade) - Math.abs(b - blade));
  return Math.abs((nearest as number) - blade) <= NEAR_ENOUGH ? (nearest as number) : blade;
}

function verdictOf({ low, high }: Spec, go: number, noGo: number): Verdict {
  if (noGo <= low) return 'tight';
  if (go >= high) return 'loose';
  return go >= low && noGo <= high ? 'inside' : 'unsure';
}

function finding(
  { low, high }: Spec,
  go: number,
  noGo: number,
  verdict: Verdict,
  settle: readonly number[],
): string {
  switch (verdict) {
    case 'tight':
      return `Tight: ${formatLength(noGo)} does not enter${limitIf(noGo, low)}.`;
    case 'loose':
      return `Loose: ${formatLength(go)} still enters${limitIf(go, high)}.`;
    case 'inside':
      return `Inside ${formatLength(low)} to ${formatLength(high)}.`;
    default:
      return `Not settled yet: try ${settle.map(formatLength).join(' and ')}.`;
  }
}

/** The limit beside a blade that is not the limit itself. */
function limitIf(blade: number, limit: number): string {
  return blade === limit ? '' : `, the limit is ${formatLength(limit)}`;
}

function decide(
  { target }: Spec,
  go: number,
  noGo: number,
  verdict: Verdict,
  policy: ShopPolicy,
): { action: Action; because: string } {
  if (policy === 'reset-all') {
    return { action: 'adjust', because: 'The shop brings every valve to nominal.' };
  }
  if (verdict === 'tight' || verdict === 'loose') {
    return { action: 'adjust', because: `Bring it to ${formatLength(target)}.` };
  }
  if (policy === 'loose-side' && noGo <= target) {
    const because = `The shop sets to the loose side: ${formatLength(target)} must enter.`;
    return { action: 'adjust', because };
  }
  if (verdict === 'unsure') {
    return { action: 'read-again', because: 'The blade on either side of it decides.' };
  }
  if (policy === 'loose-side' && go < target) {
    const because = `Try ${formatLength(target)}: the shop leaves it only if that enters.`;
    return { action: 'read-again', because };
  }
  return { action: 'leave', because: 'Leave it as it is.' };
}
