import type { BladeSet, Result } from '@longbar/core';
import {
  formatLengthAlone,
  formatMillimetres,
  fromThou,
  markedIn,
  readNumber,
} from '@longbar/core';

type Blades = BladeSet['blades'];
type Typed<T> = Result<{ value: T }>;

/** A size as typed, in the set's own unit, in µm; undefined where it is none. */
function sizeFrom(text: string, unit: BladeSet['unit']): number | undefined {
  const figure = readNumber(text);
  if (figure === undefined || figure <= 0) return undefined;
  return unit === 'mm' ? Math.round(figure * 1000) : fromThou(figure);
}

/** Blades as typed: sizes with spaces between them, a stepped leaf as 0.30/0.35. */
export function bladesTyped(text: string, unit: BladeSet['unit']): Typed<Blades> {
  const value: Blades = [];
  for (const word of text.split(/[\s;]+/).filter(Boolean)) {
    const [go, noGo] = word.split('/').map((part) => sizeFrom(part, unit));
    const wrong = go === undefined || (word.includes('/') && (noGo === undefined || noGo <= go));
    if (wrong)
      return { refused: 'unreadable', says: `“${word}” is no blade: write 0.30, or 0.30/0.35.` };
    value.push(noGo === undefined ? go : { go, noGo });
  }
  if (value.length === 0) return { refused: 'empty', says: 'A blade set has at least one blade.' };
  return { value };
}

/** The blades as they are typed. */
export function bladesWritten(set: Pick<BladeSet, 'blades' | 'unit'>): string {
  const format = (size: number) => formatLengthAlone(size, markedIn(set));
  return set.blades
    .map((blade) =>
      typeof blade === 'number' ? format(blade) : `${format(blade.go)}/${format(blade.noGo)}`,
    )
    .join(' ');
}

type Stock = { size: number; count: number }[];

/** Shims as typed: 2.40x2 2.55, sizes in mm with how many of each. */
export function shimsTyped(text: string): Typed<Stock> {
  const value: Stock = [];
  for (const word of text.split(/[\s;]+/).filter(Boolean)) {
    const [, figure = '', times = '1'] = /^([\d.,]+)(?:[x×](\d+))?$/.exec(word) ?? [];
    const size = sizeFrom(figure, 'mm');
    if (size === undefined)
      return { refused: 'unreadable', says: `“${word}” is no shim: write 2.40x2.` };
    value.push({ size, count: Number(times) });
  }
  return { value };
}

export function shimsWritten(stock: Stock): string {
  return stock.map(({ size, count }) => `${formatMillimetres(size)}x${count}`).join(' ');
}
