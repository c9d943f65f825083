import type { Spec } from '../engine/sheet';
import type { Measure } from './measure';
import { formatSetting } from './measure';
import type { Reading } from './reading';
import { middleOf } from './reading';

/** A slip of the hand or the eye that a reading looks like. */
export type Slip = {
  slip: 'ten-times' | 'unit' | 'neighbouring-blade' | 'other-spec' | 'swap' | 'far-from-left';
  /** What it looks like and what to check, in a sentence or two. */
  says: string;
};

export type SlipEvidence = {
  spec: Spec;
  reading: Pick<Reading, 'go' | 'noGo'>;
  /** The other kind's setting on this cylinder (intake for exhaust and the reverse). */
  other?: { name: string; spec: Spec; reading?: Pick<Reading, 'go' | 'noGo'> | undefined };
  /** What it was left at last time. */
  left?: Pick<Reading, 'go' | 'noGo'> | undefined;
  /** The blades of the set in hand, µm, in order. */
  blades?: readonly number[];
  /** What is measured: a gap unless it is said. */
  measure?: Measure;
  /** Whether the figure was typed: only then can a decimal point or a unit slip. */
  typed?: boolean;
};

/**
 * Ratios by which a figure is off when its unit was mistaken and it can still be a gap, with
 * what happened. What can be no gap at all is asked about as it is typed.
 */
const UNIT_SLIPS: readonly { factor: number; says: string }[] = [
  { factor: 2.54, says: 'thou typed as hundredths of a millimetre' },
  { factor: 1 / 2.54, says: 'hundredths of a millimetre typed as thou' },
];

/**
 * The likeliest slip a reading looks like; none where it is near its limits and what it was
 * left at, or open-ended. It says what to check and changes nothing.
 *
 * @example slipOf({ spec: { low: 280, target: 330, high: 380 }, reading: { go: 3300, noGo: 3300 }, typed: true }).slip
 *   // 'ten-times'
 */
export function slipOf(evidence: SlipEvidence): Slip | undefined {
  const { spec, reading } = evidence;
  const middle = middleOf(reading);
  if (middle === undefined) return undefined;
  const rules = isNear(middle, spec) ? [farFromLeft] : RULES;
  for (const rule of rules) {
    const slip = rule(evidence, middle);
    if (slip) return slip;
  }
  return undefined;
}

type Rule = (evidence: SlipEvidence, middle: number) => Slip | undefined;

const tenTimes: Rule = ({ spec, typed, measure = 'lash' }, middle) => {
  if (!typed) return undefined;
  const meant = [middle * 10, middle / 10].find((figure) => isNear(figure, spec));
  return meant === undefined
    ? undefined
    : {
        slip: 'ten-times',
        says: `${formatSetting(measure, middle)} is ten times off: was ${formatSetting(measure, meant)} meant?`,
      };
};

const unit: Rule = ({ spec, typed }, middle) => {
  if (!typed) return undefined;
  const slip = UNIT_SLIPS.find(({ factor }) => isNear(middle * factor, spec));
  return slip && { slip: 'unit', says: `This looks like ${slip.says}. Look at the unit again.` };
};

const swap: Rule = ({ spec, other }, middle) => {
  const beside = other?.reading && middleOf(other.reading);
  if (!other || beside === undefined || overlap(spec, other.spec)) return undefined;
  if (!isNear(middle, other.spec) || !isNear(beside, spec)) return undefined;
  return {
    slip: 'swap',
    says: `It stands where the ${other.name} belongs, and the ${other.name} where this belongs: they may have been set with each other’s blade. Make sure which rocker is which before anything is turned.`,
  };
};

const otherSpec: Rule = ({ spec, other }, middle) => {
  if (!other || overlap(spec, other.spec) || !isNear(middle, other.spec)) return undefined;
  return {
    slip: 'other-spec',
    says: `That is the setting of the ${other.name}. Was it read on this valve, with this valve’s blade?`,
  };
};

const neighbouringBlade: Rule = ({ left, reading, blades = [] }) => {
  const before = left && middleOf(left);
  if (before === undefined || reading.noGo === null) return undefined;
  const [go, noGo] = [blades.indexOf(reading.go), blades.indexOf(reading.noGo)];
  if (go < 0 || noGo < 0) return undefined;
  const shifted = [1, -1].find((by) => {
    const [low, high] = [blades[go + by], blades[noGo + by]];
    return low !== undefined && high !== undefined && low <= before && before <= high;
  });
  if (shifted === undefined) return undefined;
  return {
    slip: 'neighbouring-blade',
    says: `One blade ${shifted > 0 ? 'up' : 'down'} would be what it was left at. Read the figure on the blade: its neighbour may have been taken.`,
  };
};

const farFromLeft: Rule = ({ spec, left, reading }) => {
  if (!left || left.noGo === null || reading.noGo === null) return undefined;
  const apart = Math.max(left.go - reading.noGo, reading.go - left.noGo);
  if (apart <= spec.high - spec.low) return undefined;
  return {
    slip: 'far-from-left',
    says: `Far from what it was left at last time. Read it once more, and see that this is the valve the map shows.`,
  };
};

/** The likeliest first. */
const RULES: readonly Rule[] = [tenTimes, unit, swap, otherSpec, neighbouringBlade, farFromLeft];

/** Inside the limits, or out by no more than half their width. */
export function isNear(figure: number, { low, high }: Spec): boolean {
  const slack = (high - low) / 2;
  return figure >= low - slack && figure <= high + slack;
}

function overlap(a: Spec, b: Spec): boolean {
  return a.low < b.high && b.low < a.high;
}
