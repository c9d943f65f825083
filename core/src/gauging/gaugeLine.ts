import { readNumber } from '../typedNumber';
import { SIZES } from './figureUnits';
import type { Measure } from './measure';
import { unitOf } from './measure';
import type { Reading } from './reading';
import { readingFromFigure } from './reading';
import type { Result } from '../result';

/** A figure that a gauge sent: a reading; or why it is none, for a person. */
export type GaugeReading = Result<{ reading: Reading }>;

/** What is measured, and what it should be about. */
export type GaugeFor = { measure: Measure; spec: { low: number; high: number } };

/** µm, or mN·m, in one of the units that gauges send. */
const SENT: Record<string, { of: 'length' | 'torque'; size: number }> = {
  mm: { of: 'length', size: SIZES.mm },
  in: { of: 'length', size: SIZES.in },
  inch: { of: 'length', size: SIZES.in },
  nm: { of: 'torque', size: SIZES['N·m'] },
  'n.m': { of: 'torque', size: SIZES['N·m'] },
  'n·m': { of: 'torque', size: SIZES['N·m'] },
  'lb.in': { of: 'torque', size: SIZES['lb·in'] },
  'lb·in': { of: 'torque', size: SIZES['lb·in'] },
  'lb.ft': { of: 'torque', size: SIZES['lb·ft'] },
  'lb·ft': { of: 'torque', size: SIZES['lb·ft'] },
};

/**
 * One line of a digital gauge: a sign, a figure and its unit, as `+12.345 mm` or `0.90 N.m`; a
 * line without a unit is in the shop's, a gap's in inches where that is thou. Refused with the reason
 * where it is no figure, of another kind, negative, or far from anything this can be.
 *
 * @example readGaugeLine('+63.500 mm', { measure: 'height', spec: { low: 63_000, high: 64_000 } })
 *   // { reading: { go: 63495, noGo: 63505, how: 'gauge' } }
 */
export function readGaugeLine(line: string, { measure, spec }: GaugeFor): GaugeReading {
  const [, figure = '', word = ''] =
    /^([+-]?\d[\d.,]*)\s?([a-z][a-z·.]*)?$/i.exec(line.trim()) ?? [];
  const value = readNumber(figure);
  if (value === undefined)
    return { refused: 'unreadable', says: `The gauge sent “${shown(line)}”, which is no figure.` };
  const torque = measure === 'preload';
  // A gauge shows a gap as it shows a height.
  const sent = word === '' ? unitOf(torque ? measure : 'height') : word;
  const unit = SENT[sent.toLowerCase()];
  if (!unit)
    return {
      refused: 'wrong-unit',
      says: `The gauge sent its figure in “${shown(word)}”: set it to mm, in, N·m or lb·in.`,
    };
  if ((unit.of === 'torque') !== torque) {
    return {
      refused: 'wrong-unit',
      says: `The gauge sent a ${unit.of}, and a ${torque ? 'torque' : 'length'} is asked for.`,
    };
  }
  const size = Math.round(value * unit.size);
  if (size < 0)
    return {
      refused: 'implausible',
      says: `The gauge sent ${figure.trim()}: set it to zero on the other side.`,
    };
  if (size < spec.low / 5 || size > spec.high * 5) {
    return {
      refused: 'implausible',
      says: `The gauge sent ${figure.trim()} ${sent}, far from what this can be: is it zeroed, and in the right unit?`,
    };
  }
  return { reading: readingFromFigure(size, torque ? 'wrench' : 'gauge') };
}

/** What came, short enough to be shown. */
const shown = (text: string) => text.trim().slice(0, 24);

/**
 * The whole lines of what came from a port so far, and the rest that is not ended yet. A gauge
 * that never ends its line is cut off.
 *
 * @example gaugeLines('+1.20 mm\r\n+1.2') // { lines: ['+1.20 mm'], rest: '+1.2' }
 */
export function gaugeLines(text: string): { lines: string[]; rest: string } {
  const parts = text.split(/\r\n|\r|\n/);
  const rest = parts.pop() ?? '';
  return { lines: parts.filter((line) => line.trim() !== ''), rest: rest.slice(-LONGEST) };
}

const LONGEST = 200;
