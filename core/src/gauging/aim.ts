import type { Spec } from '../engine/sheet';
import { formatReckonedHours } from '../units';
import { formatGapChange } from './gapChange';
import { verdictOf } from './judgeReading';
import { formatSetting } from './measure';
import type { RateBand } from './rates';

/** What lasts less than this many times as long as the target is no reason to leave the target. */
const WORTH_IT = 1.25;

/** A setting in µm, and the hours it stays inside from there and from the maker's target. */
export type Aim = { setting: number; lasts: number; lastsAtTarget: number };

type AimFor = {
  spec: Spec;
  rate: RateBand;
  /** The settings that can be reached, µm: blades or the gaps the shims make; any if absent. */
  steps?: readonly number[] | undefined;
};

/**
 * What to set inside the limits so that an adjuster which drifts one way stays inside longest.
 * The maker's target stands where the band of the rate holds zero or goes the other way, where the
 * target itself lasts `hours` (until it is looked at anyway), and where no step does clearly
 * better. A blade that enters is followed by the next one that does not: both lie inside the
 * limits. `Infinity` is never.
 *
 * @example aimFor({ spec: { low: 360, target: 400, high: 440 }, rate: { rate: -50, low: -60, high: -40 } }, 1000)
 *   // { setting: 440, lasts: 1600, lastsAtTarget: 800 }
 */
export function aimFor({ spec, rate: { rate, low, high }, steps }: AimFor, hours: number): Aim {
  const lastsFrom = (setting: number) => {
    const room = rate < 0 ? setting - spec.low : spec.high - setting;
    return rate === 0 ? Infinity : (1000 * Math.max(0, room)) / Math.abs(rate);
  };
  const lastsAtTarget = lastsFrom(spec.target);
  const target = { setting: spec.target, lasts: lastsAtTarget, lastsAtTarget };
  const oneWay = rate < 0 ? high < 0 : rate > 0 && low > 0;
  if (!oneWay || lastsAtTarget >= hours) return target;
  const reached = steps ? insideOf(steps, spec) : [spec.low, spec.high];
  const setting = rate < 0 ? Math.max(...reached) : Math.min(...reached);
  const lasts = reached.length > 0 ? lastsFrom(setting) : 0;
  return lasts > WORTH_IT * lastsAtTarget ? { setting, lasts, lastsAtTarget } : target;
}

/** The steps that read as inside: each enters, and the next one no longer does. */
function insideOf(steps: readonly number[], spec: Spec): number[] {
  const inOrder = [...steps].sort((a, b) => a - b);
  return inOrder.filter((go, i) => {
    const noGo = inOrder[i + 1];
    return noGo !== undefined && verdictOf(spec, { go, noGo }) === 'inside';
  });
}

/**
 * The sum of an aim as one writes it down.
 *
 * @example aimWords({ setting: 440, lasts: 1702.13, lastsAtTarget: 851.06 }, { low: 360, target: 400, high: 440 }, -47)
 *   // 'It closes 47 µm in 1,000 h: from 0.44 mm it lasts 1,700 h, from the maker’s 0.40 mm 850 h.'
 */
export function aimWords({ setting, lasts, lastsAtTarget }: Aim, { target }: Spec, rate: number) {
  const way = rate < 0 ? 'closes' : 'opens';
  const by = `It ${way} ${formatGapChange(rate)} in 1,000 h`;
  const [aimed, maker] = [formatSetting('lash', setting), formatSetting('lash', target)];
  const [longer, atTarget] = [formatReckonedHours(lasts), formatReckonedHours(lastsAtTarget)];
  return `${by}: from ${aimed} it lasts ${longer} h, from the maker’s ${maker} ${atTarget} h.`;
}
