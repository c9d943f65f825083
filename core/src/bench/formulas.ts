import { ratchetClicks, rimArc, toolTurns } from '../barring/bar';
import { formatStack } from '../gauging/bladeMarks';
import type { BladeStack } from '../gauging/blades';
import type { Screw } from '../gauging/screw';
import { turnsForGap } from '../gauging/screw';
import { formatRule } from '../rule';
import { unitsShown } from '../shownAs';
import type { AdapterSum } from '../torque/adapter';
import { adapterSetting } from '../torque/adapter';
import type { TorqueUnit } from '../torque/units';
import { convertTorque } from '../torque/units';
import type { LengthUnit } from '../units';
import { formatLength, formatLengthAlone } from '../units';

/* Each sum written out with its figures, by the functions that a job reckons with. */

const figure = (digits: number) =>
  new Intl.NumberFormat('en', { maximumFractionDigits: digits, useGrouping: false }).format;
const [whole, one, two, three, four] = [figure(0), figure(1), figure(2), figure(3), figure(4)];

/**
 * A stack of blades written out in the unit that they are marked in.
 *
 * @example stackFormula({ blades: [300, 30], sum: 330 }, 'mm') // '0.30 + 0.03 = 0.33 mm'
 */
export function stackFormula(
  { blades, sum }: Pick<BladeStack, 'blades' | 'sum'>,
  unit: LengthUnit,
): string {
  return `${formatStack(blades, unit)} = ${formatLength(sum, unit)}`;
}

/**
 * The setting of a wrench with an adapter written out, in the unit of its torque.
 *
 * @example adapterFormula({ torque: 46, wrench: 400, adapter: 60, angle: 0 }, 'N·m')
 *   // '46 × 400 / (400 + 60 × cos 0°) = 46 × 400 / 460 = 40 N·m'
 */
export function adapterFormula(sum: AdapterSum, unit: TorqueUnit): string | undefined {
  const answer = adapterSetting(sum);
  if ('refused' in answer) return undefined;
  const { torque, wrench, adapter, angle } = sum;
  const reach = (torque * wrench) / answer.setting;
  const above = `${two(torque)} × ${two(wrench)}`;
  return `${above} / (${two(wrench)} + ${two(adapter)} × cos ${one(angle)}°) = ${above} / ${two(reach)} = ${one(answer.setting)} ${unit}`;
}

/**
 * One torque in another unit, written out.
 *
 * @example torqueFormula(20, 'lb·ft', 'N·m') // '20 lb·ft × 1.3558 = 27.1 N·m'
 */
export function torqueFormula(value: number, from: TorqueUnit, to: TorqueUnit): string {
  const factor = convertTorque(1, from, to);
  return `${two(value)} ${from} × ${four(factor)} = ${one(convertTorque(value, from, to))} ${to}`;
}

/** What a change of a gap asks of the screw. */
export type ScrewTurn = {
  /** Turns; below 0 the screw goes in. */
  turns: number;
  degrees: number;
  /** As the hand of a clock goes that begins at twelve. */
  minutes: number;
  formula: string;
};

/**
 * The turn of an adjusting screw for a change of the gap in µm, above 0 where it is to open: as
 * turns, degrees and minutes on a clock face.
 *
 * @example screwTurn({ pitch: 1000, ratio: 1.25, side: 'pushrod' }, 125).minutes // 6
 */
export function screwTurn(screw: Screw, change: number): ScrewTurn {
  const turns = turnsForGap(screw, change);
  const unit = unitsShown().length;
  const pitch = formatLengthAlone(screw.pitch, unit);
  const under = screw.side === 'pushrod' ? `(${pitch} × ${two(screw.ratio)})` : pitch;
  return {
    turns,
    degrees: turns * 360,
    minutes: turns * 60,
    formula: `${formatLength(Math.abs(change), unit)} / ${under} ${unit} a turn = ${three(Math.abs(turns))} turn × 360° = ${whole(Math.abs(turns) * 360)}°`,
  };
}

/** A turn of the crank as it is measured: along a rim, by turns and by clicks of the tool. */
export type BarSum = {
  what: 'arc' | 'turns' | 'clicks';
  value: number;
  /** For a person: "5.5 turns of the tool". */
  says: string;
  formula: string;
};

/**
 * So many degrees of the crank along a rim of `rim` µm, in turns of a tool that turns `ratio`
 * times a turn of the crank, in clicks of its ratchet; each where its figure is known.
 *
 * @example barSums(120, { rim: 200_000 })[0]?.formula // 'π × 200 mm × 120° / 360° = 209.4 mm'
 */
export function barSums(
  degrees: number,
  tool: { rim?: number | undefined; ratio?: number | undefined; teeth?: number | undefined },
): BarSum[] {
  const sums: BarSum[] = [];
  const { rim, ratio, teeth } = tool;
  if (rim) {
    const value = rimArc(degrees, rim);
    sums.push({
      what: 'arc',
      value,
      says: `${formatRule(value)} along the rim`,
      formula: `π × ${formatRule(rim)} × ${one(degrees)}° / 360° = ${formatRule(value)}`,
    });
  }
  if (!ratio) return sums;
  const turns = toolTurns(degrees, ratio);
  const turned = `${one(degrees)}° / 360° × ${two(ratio)} = ${two(turns)} turns`;
  sums.push({
    what: 'turns',
    value: turns,
    says: `${two(turns)} ${turns === 1 ? 'turn' : 'turns'} of the tool`,
    formula: turned,
  });
  if (!teeth) return sums;
  const clicks = ratchetClicks(turns, teeth);
  const counted = `${two(turns)} turns × ${whole(teeth)} teeth = ${one(clicks)} clicks`;
  return [
    ...sums,
    { what: 'clicks', value: clicks, says: `${one(clicks)} clicks`, formula: counted },
  ];
}

/** A length that another is taken for, and how. */
export type TakenFor = { how: string; size: number };

/**
 * What a length is mistaken for when its unit or its point slips, µm: thou for hundredths of a
 * millimetre and the reverse, and a decimal point one place off.
 *
 * @example takenFor(330).map(({ size }) => size) // [838, 130, 3300, 33]
 */
export function takenFor(length: number): TakenFor[] {
  const hundredths = one(length / 10);
  const thou = one(length / 25.4);
  return [
    { how: `${hundredths} read as thou`, size: Math.round((length / 10) * 25.4) },
    { how: `${thou} thou read as hundredths of a mm`, size: Math.round((length / 25.4) * 10) },
    { how: 'the point one place to the right', size: length * 10 },
    { how: 'the point one place to the left', size: Math.round(length / 10) },
  ];
}
