import type { Spec } from '../engine/sheet';
import { readNumber } from '../typedNumber';
import { markedIn } from './bladeMarks';
import type { BladeSet } from './blades';
import { plainBlades, readingFromDrag } from './blades';
import type { FigureUnit as Unit } from './figureUnits';
import { LAST_PLACES, SIZES } from './figureUnits';
import type { Measure } from './measure';
import { formatFigure, unitOf } from './measure';
import type { Reading } from './reading';
import { readingFromFigure } from './reading';
import { isNear } from './slips';
import type { Refused, Result } from '../result';
import { isRefused } from '../result';

/** What a reading is typed for: what is measured, what it should be, the blades in hand. */
export type TypedFor = { measure: Measure; spec: Spec; set: Pick<BladeSet, 'unit' | 'blades'> };

/** A reading; or what is wrong with it, and what may have been meant, each as it would be typed. */
export type TypedReading = { reading: Reading } | (Refused & { meant?: string[] });

/** How units are typed. */
const SPELT: readonly [RegExp, Unit][] = [
  [/mm$/i, 'mm'],
  [/thou$/i, 'thou'],
  [/(lb|lbf)[·. -]?(in|inch)$/i, 'lb·in'],
  [/(lb|lbf)[·. -]?(ft|foot)$/i, 'lb·ft'],
  [/n[·. ]?m$/i, 'N·m'],
  [/(in|inch|″|")$/i, 'in'],
];

/** No gap is smaller or larger than this, µm: such a figure is in another unit. */
const LEAST_GAP = 20;
const MOST_GAP = 5000;

/**
 * A reading as a person types it. A gap is in the unit of the set in hand: "0.30 0.35" for what
 * enters and what does not, "0.30" for drag on one blade, "0.30+" for enters and "<0.30" for
 * does not. A height or a preload is one figure in the unit that the shop has first. Another unit is
 * typed behind: "13 thou", ".013 in", "9 lb ft". Refused where it cannot be read or cannot be, with
 * all that may have been meant: a gap that is far off must not be taken for a good one.
 *
 * @example readingFromTyped('33', { measure: 'lash', spec: { low: 280, target: 330, high: 380 }, set: { unit: 'mm', blades: [] } }).meant
 *   // ['0.33 mm', '33 thou']
 */
export function readingFromTyped(text: string, of: TypedFor): TypedReading {
  const { figures, unit, rest } = split(text);
  const usual = usualUnit(of);
  if (figures.length === 0 || figures.length > (of.measure === 'lash' ? 2 : 1)) {
    return { refused: figures.length === 0 ? 'empty' : 'unreadable', says: `Type ${asked(of)}.` };
  }
  if (unit && !UNITS_OF[of.measure].includes(unit)) {
    return {
      refused: 'wrong-unit',
      says: `${unit} is no unit of a ${of.measure}: ${UNITS_OF[of.measure].join(', ')}.`,
    };
  }
  const sizes = figures.map((figure) => figure * SIZES[unit ?? usual]);
  const reading = taken(sizes, rest, of, LAST_PLACES[unit ?? usual]);
  if (isRefused(reading)) return reading;
  if (sizes.every((size) => canBe(size, of))) return { reading };
  const what = `${figures.join(' ')} ${unit ?? usual} is no ${of.measure === 'lash' ? 'gap' : of.measure}`;
  const meant = meantBy(figures, rest, of);
  return meant.length === 0
    ? { refused: 'implausible', says: `${what}. Type ${asked(of)}.` }
    : { refused: 'implausible', says: `${what}: was ${meant.join(' or ')} meant?`, meant };
}

/**
 * One length as a person types it, whole µm: in `usual` unless another unit is typed behind.
 *
 * @example lengthFromTyped('13 thou', 'mm') // 330
 */
export function lengthFromTyped(text: string, usual: 'mm' | 'thou'): number | undefined {
  const { figures, unit = usual, rest } = split(text);
  const [figure] = figures;
  if (figure === undefined || figures.length > 1 || rest !== '') return undefined;
  return UNITS_OF.height.includes(unit) ? Math.round(figure * SIZES[unit]) : undefined;
}

const UNITS_OF: Record<Measure, readonly Unit[]> = {
  lash: ['mm', 'thou', 'in'],
  height: ['mm', 'in', 'thou'],
  preload: ['N·m', 'lb·in', 'lb·ft'],
};

function usualUnit({ measure, set }: TypedFor): Unit {
  return measure === 'lash' ? markedIn(set) : unitOf(measure);
}

function asked({ measure, set, spec }: TypedFor): string {
  if (measure !== 'lash') return `one figure, as ${formatFigure(measure, spec.target)}`;
  return `what enters and what does not, as ${set.unit === 'mm' ? '0.30 0.35' : '12 14'}`;
}

type Parts = { figures: number[]; unit: Unit | undefined; rest: string };

/** The figures, the unit behind them, and what else is written; no figure where one is unreadable. */
function split(text: string): Parts {
  const typed = text.trim();
  const spelt = SPELT.find(([ending]) => ending.test(typed));
  const bare = spelt ? typed.replace(spelt[0], '').trim() : typed;
  const words = bare.match(/[.,]?\d(?:[\d.,]*\d)?/g) ?? [];
  const rest = words.reduce((left, word) => left.replace(word, ' '), bare).replace(/\s+/g, ' ');
  const figures = words.map((word) => readNumber(word));
  const fine = /^(?:[<>+,;/–—-]|under|and over|\s)*$/.test(rest);
  return {
    figures: fine ? figures.filter((figure) => figure !== undefined) : [],
    unit: spelt?.[1],
    rest: rest.trim(),
  };
}

/** The reading that the figures make, in µm or mN·m; refused where they make none. */
function taken(
  sizes: readonly number[],
  rest: string,
  { measure, set }: TypedFor,
  lastPlace: number,
): Result<Reading> {
  const [first = 0, second] = sizes;
  if (measure !== 'lash')
    return readingFromFigure(first, measure === 'preload' ? 'wrench' : 'gauge', lastPlace);
  const open = (go: number, noGo: number | null): Reading => ({
    go: Math.round(go),
    noGo: noGo === null ? null : Math.round(noGo),
    how: 'go-no-go',
  });
  if (second !== undefined) {
    if (first < second) return open(first, second);
    return { refused: 'implausible', says: 'What enters is thinner than what does not.' };
  }
  if (/^(<|under)/.test(rest)) return open(0, first);
  if (/(\+|over)$|^>/.test(rest)) return open(first, null);
  return readingFromDrag(plainBlades(set), Math.round(first));
}

/** Whether a figure can be one of this measure at all; that nothing enters or holds can. */
function canBe(size: number, { measure, spec }: TypedFor): boolean {
  if (measure === 'height') return size > spec.low / 2 && size < spec.high * 2;
  if (measure === 'preload') return size === 0 || (size > spec.low / 5 && size < spec.high * 5);
  return size === 0 || (size >= LEAST_GAP && size <= Math.max(MOST_GAP, spec.high * 3));
}

/** The same figures in another unit, hundredths of a mm among them, where that may be; the likeliest first. */
function meantBy(figures: readonly number[], rest: string, of: TypedFor): string[] {
  const hundredths = figures.map((figure) => figure / 100);
  const inMm: [readonly number[], Unit] = [hundredths, 'mm'];
  const tries: [readonly number[], Unit][] = [
    ...(of.measure === 'lash' ? [inMm] : []),
    ...UNITS_OF[of.measure].map((unit): [readonly number[], Unit] => [figures, unit]),
  ];
  const may = tries.map(([tried, unit]) => {
    const sizes = tried.map((figure) => figure * SIZES[unit]);
    const sum = sizes.reduce((all, size) => all + size, 0);
    const isLikely = isNear(sum / sizes.length, of.spec);
    const canBeSo = sizes.every((size) => canBe(size, of) && size <= of.spec.high * FAR_OFF);
    return { isLikely, canBeSo, says: written(tried, unit, rest) };
  });
  return may
    .filter(({ canBeSo }) => canBeSo)
    .sort((a, b) => Number(b.isLikely) - Number(a.isLikely))
    .map(({ says }) => says);
}

/** A figure in another unit is offered up to so many times the upper limit. */
const FAR_OFF = 3;

function written(figures: readonly number[], unit: Unit, rest: string): string {
  const said = figures.map((figure) => formatIn[unit](figure)).join(' ');
  return `${rest.startsWith('<') ? '<' : ''}${said}${rest.endsWith('+') ? '+' : ''} ${unit}`;
}

const plain = new Intl.NumberFormat('en', { maximumFractionDigits: 4, useGrouping: false });
const two = new Intl.NumberFormat('en', { minimumFractionDigits: 2, useGrouping: false });
const formatIn: Record<Unit, (figure: number) => string> = {
  mm: two.format,
  thou: plain.format,
  in: plain.format,
  'N·m': plain.format,
  'lb·ft': plain.format,
  'lb·in': plain.format,
};
