import type { Spec } from '../engine/sheet';
import type { LaidOut } from './blades';
import { readingFromTrials } from './blades';
import type { JobPolicy } from './policy';
import { judgeReading } from './judgeReading';
import type { Trial } from './reading';
import { middleOf } from './reading';

/**
 * The blade to try next, so that a gap is judged with the fewest answers of 'enters' and 'stops':
 * the lower limit first, then the upper, and the target where only that decides. None once it is
 * judged, or where no blade of the set can tell more. With `wholeGap`, as for a shim that is reckoned
 * from it, a gap that is known from one side alone is tried on from the other, as far away as the limits
 * are apart: a shim by the middle of that brings it inside them.
 *
 * @example bladeToTry([{ size: 280 }, { size: 380 }], { low: 280, target: 330, high: 380 }, [], 'leave-inside').size
 *   // 280
 */
export function bladeToTry(
  laid: readonly LaidOut[],
  spec: Spec,
  tried: readonly Trial[],
  policy: JobPolicy,
  wholeGap = false,
): LaidOut | undefined {
  const { go, noGo } = readingFromTrials(tried);
  const judged = tried.length === 0 ? undefined : judgeReading(spec, { go, noGo }, policy);
  const isOpen = wholeGap && judged !== undefined && middleOf({ go, noGo }) === undefined;
  if (judged && judged.action !== 'read-again' && !isOpen) return undefined;
  const onward = onwardFrom(go, noGo, spec.high - spec.low);
  const [wanted = spec.target] = judged?.settle ?? (isOpen ? [onward] : [spec.low, spec.high]);
  const open = laid.filter(
    ({ size }) =>
      size > go && size < (noGo ?? Infinity) && !tried.some((trial) => trial.size === size),
  );
  return open.reduce<LaidOut | undefined>(
    (nearest, each) =>
      nearest && Math.abs(nearest.size - wanted) <= Math.abs(each.size - wanted) ? nearest : each,
    undefined,
  );
}

function onwardFrom(go: number, noGo: number | null, span: number): number {
  return noGo === null ? go + span : Math.max(noGo - span, noGo / 2);
}
