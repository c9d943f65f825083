import type { Spec } from '../engine/sheet';
import type { SettingSpec } from './toSet';
import { toSet } from './toSet';
import type { LengthUnit } from '../units';
import { NEAR_ENOUGH } from './blades';
import type { Measure } from './measure';
import { formatSetting } from './measure';
import type { JobPolicy } from './policy';
import type { Reading } from './reading';
import { middleOf } from './reading';

export type Verdict = 'tight' | 'loose' | 'inside' | 'unsure';
export type Action = 'leave' | 'adjust' | 'read-again';
export type Judgement = {
  verdict: Verdict;
  action: Action;
  /** The limits to try, µm, where the reading spans one. */
  settle?: number[];
  /** How the reading lies, and nothing of what to do about it. */
  says: string;
  /** The same, and what to do. */
  why: string;
};

/** A reading against its setting, blades within 6 µm of a limit taken as the limit. */
type Held = { spec: SettingSpec; go: number; noGo: number };
/** By what its words go: `show` writes a figure with its unit. */
type Words = { measure: Measure; show: (figure: number) => string };

/**
 * Judges a reading in µm (mN·m for a preload) against low, target and high by the shop's
 * policy. A blade within 6 µm of a limit counts as it: inch blades never meet mm limits; a
 * figure read off a gauge or a wrench is held against the limits as it is.
 * Where an aim is set in place of the target, only the words say so. `measure` too only chooses the
 * words, and `marked` their unit, where the blades in hand are marked in another than the shop's first;
 * `tight` is too low a height or too small a preload.
 *
 * @example judgeReading({ low: 280, target: 330, high: 380 }, { go: 250, noGo: 280 }, 'leave-inside').verdict
 *   // 'tight'
 */
export function judgeReading(
  spec: SettingSpec,
  reading: Pick<Reading, 'go' | 'noGo'> & { how?: Reading['how'] },
  policy: JobPolicy,
  measure: Measure = 'lash',
  marked?: LengthUnit,
): Judgement {
  const words = { measure, show: (figure: number) => formatSetting(measure, figure, marked) };
  if (reading.how === 'gauge' || reading.how === 'wrench') {
    return judgeFigure(spec, middleOf(reading) ?? reading.go, policy, words);
  }
  const held = { spec, ...snappedTo(spec, reading) };
  const { go, noGo } = held;
  const verdict = bladesSay(held);
  const settle = [spec.low, spec.high].filter((limit) => go < limit && limit < noGo);
  const { action, because } = decide(held, verdict, policy, words);
  const says = finding(held, verdict, settle, words);
  return {
    verdict,
    action,
    ...(verdict === 'unsure' && { settle }),
    says,
    why: `${says} ${because}`,
  };
}

/**
 * A figure read off a gauge or a wrench: on a limit is inside it. A loose side is a matter of
 * blades, so that policy leaves what is inside.
 */
function judgeFigure(
  spec: SettingSpec,
  figure: number,
  policy: JobPolicy,
  words: Words,
): Judgement {
  const verdict = figureSays(spec, figure);
  const held = { spec, go: figure, noGo: figure };
  const { action, because } = decide(
    held,
    verdict,
    policy === 'loose-side' ? 'leave-inside' : policy,
    words,
  );
  const says = finding(held, verdict, [], words);
  return { verdict, action, says, why: `${says} ${because}` };
}

function snapped(blade: number, { low, target, high }: Spec): number {
  let nearest = low;
  for (const each of [target, high]) {
    if (Math.abs(each - blade) < Math.abs(nearest - blade)) nearest = each;
  }
  return Math.abs(nearest - blade) <= NEAR_ENOUGH ? nearest : blade;
}

/** Only the verdict of `judgeReading`, where nobody reads why. */
export function verdictOf(
  spec: Spec,
  reading: Pick<Reading, 'go' | 'noGo'> & { how?: Reading['how'] },
): Verdict {
  if (reading.how === 'gauge' || reading.how === 'wrench') {
    return figureSays(spec, middleOf(reading) ?? reading.go);
  }
  return bladesSay({ spec, ...snappedTo(spec, reading) });
}

function snappedTo(spec: Spec, { go, noGo }: Pick<Reading, 'go' | 'noGo'>) {
  return { go: snapped(go, spec), noGo: noGo === null ? Infinity : snapped(noGo, spec) };
}

function figureSays({ low, high }: Spec, figure: number): Verdict {
  return figure < low ? 'tight' : figure > high ? 'loose' : 'inside';
}

function bladesSay({ spec: { low, high }, go, noGo }: Held): Verdict {
  if (noGo <= low) return 'tight';
  if (go >= high) return 'loose';
  return go >= low && noGo <= high ? 'inside' : 'unsure';
}

function finding(
  held: Held,
  verdict: Verdict,
  settle: readonly number[],
  { measure, show }: Words,
): string {
  const { low, high } = held.spec;
  switch (verdict) {
    case 'inside':
      return `Inside ${show(low)} to ${show(high)}.`;
    case 'unsure':
      return `Not settled yet: try ${settle.map(show).join(' and ')}.`;
    case 'tight':
      return measure === 'lash' ? feltTight(held, show) : `Too low: under ${show(low)}.`;
    case 'loose':
      return measure === 'lash' ? feltLoose(held, show) : `Too high: over ${show(high)}.`;
  }
}

function feltTight({ spec: { low }, noGo }: Held, show: Words['show']): string {
  return `Tight: ${show(noGo)} does not enter${noGo === low ? '' : `, the limit is ${show(low)}`}.`;
}

function feltLoose({ spec: { high }, go }: Held, show: Words['show']): string {
  return `Loose: ${show(go)} still enters${go === high ? '' : `, the limit is ${show(high)}`}.`;
}

/**
 * What a reading outside its limits is called: a height or a preload is too low where a gap is tight.
 * Undefined where it is not outside, or was not judged.
 *
 * @example outsideWord('height', 'tight') // 'too low'
 */
export function outsideWord(measure: Measure, verdict: Verdict | undefined): string | undefined {
  if (verdict !== 'tight' && verdict !== 'loose') return undefined;
  if (measure === 'lash') return verdict;
  return verdict === 'tight' ? 'too low' : 'too high';
}

/**
 * What a record says of a reading that is not known to lie inside its limits: that it is outside, or
 * that it was left unsettled and spans a limit. Undefined where it is inside, or was not judged.
 */
export function verdictWord(measure: Measure, verdict: Verdict | undefined): string | undefined {
  return verdict === 'unsure' ? 'spans a limit' : outsideWord(measure, verdict);
}

function decide(
  { spec, go, noGo }: Held,
  verdict: Verdict,
  policy: JobPolicy,
  { show }: Words,
): { action: Action; because: string } {
  const { target } = spec;
  const nominal = show(target);
  const set = show(toSet(spec));
  if (policy === 'reset-all') {
    return { action: 'adjust', because: `The shop resets every one: bring it to ${set}.` };
  }
  if (policy === 'check-only' && verdict !== 'unsure') {
    return { action: 'leave', because: 'It is only checked: leave it as it is.' };
  }
  if (verdict === 'tight' || verdict === 'loose') {
    return { action: 'adjust', because: `Bring it to ${set}.` };
  }
  if (policy === 'loose-side' && noGo <= target) {
    const because = `The shop sets to the loose side: ${nominal} must enter.`;
    return { action: 'adjust', because };
  }
  if (verdict === 'unsure') {
    return { action: 'read-again', because: 'The blade on either side of it decides.' };
  }
  if (policy === 'loose-side' && go < target) {
    const because = `Try ${nominal}: the shop leaves it only if that enters.`;
    return { action: 'read-again', because };
  }
  return { action: 'leave', because: 'Leave it as it is.' };
}
