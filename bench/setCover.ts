import type { EngineSheet } from '@longbar/core';
import { adjustersOf, marginAt } from '@longbar/core';
import type { Highs } from 'highs';

const TOLERANCE = 1e-6;

/**
 * The problem of `fewest` as a general solver takes it: one set cover over the candidate
 * angles for the count, then bisection over the distinct margins with a set cover each.
 */
export function fewestByHighs(
  highs: Highs,
  sheet: EngineSheet,
): { stops: number; smallestMargin: number | null } {
  const marks = sheet.marks ?? [];
  const angles = marks.length
    ? [...new Set(marks.flatMap(({ at }) => [at, at + 360]))]
    : Array.from({ length: 720 }, (_, degree) => degree);
  const rows = adjustersOf(sheet).flatMap((adjuster) => {
    if (!('arc' in adjuster.place)) return [];
    const { need } = adjuster.place;
    const margins = angles.map((at) => marginAt(adjuster, at, 720) as number);
    return margins.some((margin) => margin >= need - TOLERANCE) ? [{ need, margins }] : [];
  });
  if (rows.length === 0) return { stops: 0, smallestMargin: null };
  const coverAt = (least: number) =>
    cover(
      highs,
      angles.length,
      rows.map(({ need, margins }) => {
        const wanted = Math.max(need, least) - TOLERANCE;
        return margins.flatMap((margin, j) => (margin >= wanted ? [j] : []));
      }),
    );
  const stops = coverAt(0) as number;
  const distinct = [...new Set(rows.flatMap(({ margins }) => margins))]
    .filter((margin) => margin >= 0)
    .sort((a, b) => a - b);
  let [low, high] = [0, distinct.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    const count = coverAt(distinct[middle] as number);
    if (count !== undefined && count <= stops) low = middle;
    else high = middle - 1;
  }
  return { stops, smallestMargin: distinct[low] as number };
}

/** The least number of columns that meet every row; undefined where one row has none. */
function cover(highs: Highs, columns: number, rows: number[][]): number | undefined {
  if (rows.some((row) => row.length === 0)) return undefined;
  const names = Array.from({ length: columns }, (_, j) => `x${j}`);
  const problem = [
    'Minimize',
    ` obj: ${names.join(' + ')}`,
    'Subject To',
    ...rows.map((row, i) => ` c${i}: ${row.map((j) => names[j]).join(' + ')} >= 1`),
    'Binary',
    ` ${names.join(' ')}`,
    'End',
  ].join('\n');
  return Math.round(highs.solve(problem).ObjectiveValue);
}
