import { rimArc } from '../barring/bar';
import { ANGLE_TOLERANCE, apart, tidy, wrap } from '../engine/angle';
import type { Firing } from '../engine/firing';

/** The cylinders that stand at their top together: each turn fires one of them, or none. */
export type TopTogether = {
  /** Crank degrees from the first cylinder’s top, below 360. */
  at: number;
  /** Which fires here in the first turn and which in the second; one alone in a two-stroke. */
  fires: (number | undefined)[];
};

/**
 * The tops of a firing order on one turn of the pulley, with the cylinder that fires there in each
 * of the two turns: the one that does not fire is at overlap.
 */
export function topsOf({ order, at, cycle }: Firing): TopTogether[] {
  const tops: TopTogether[] = [];
  for (const cylinder of order) {
    const angle = at.get(cylinder) ?? 0;
    const turn = angle >= 360 - ANGLE_TOLERANCE && cycle === 720 ? 1 : 0;
    const place = tidy(wrap(angle, 360));
    const known = tops.find((top) => apart(top.at, place, 360) < ANGLE_TOLERANCE);
    const top = known ?? { at: place, fires: cycle === 720 ? [undefined, undefined] : [undefined] };
    if (!known) tops.push(top);
    top.fires[turn] = cylinder;
  }
  return tops.sort((a, b) => a.at - b.at);
}

/** What is printed on a strip or a disc: a mark, and where on the turn it stands. */
export type TurnMark = {
  /** Crank degrees. */
  at: number;
  kind: 'top' | 'third' | 'ten' | 'five' | 'degree';
  /** What is written at it. */
  label?: string;
};

/**
 * The marks of one turn: every degree, the tens by number, the thirds of a turn, and the tops with
 * the cylinders that fire there, the first turn's before the second's.
 *
 * @example turnMarks(firingOf({ cycle: 4, firing: { order: [1, 3, 4, 2] } }))[0] // { at: 0, kind: 'top', label: '1 | 4' }
 */
export function turnMarks(firing?: Firing): TurnMark[] {
  const tops = firing ? topsOf(firing) : [];
  const isTop = (at: number) => tops.some((top) => apart(top.at, at, 360) < ANGLE_TOLERANCE);
  const degrees = Array.from({ length: 360 }, (_, at): TurnMark => ({ at, ...degreeMark(at) }));
  const marks = [
    ...tops.map(({ at, fires }): TurnMark => ({ at, kind: 'top', label: firesLabel(fires) })),
    ...degrees.filter(({ at }) => !isTop(at)),
  ];
  return marks.sort((a, b) => a.at - b.at);
}

const firesLabel = (fires: TopTogether['fires']) =>
  fires.map((cylinder) => cylinder ?? '–').join(' | ');

function degreeMark(at: number): Omit<TurnMark, 'at'> {
  if (at % 120 === 0) return { kind: 'third', label: `${at}°` };
  if (at % 10 === 0) return { kind: 'ten', label: String(at) };
  return { kind: at % 5 === 0 ? 'five' : 'degree' };
}

/** A part of a strip that one sheet of paper holds, µm from the strip's beginning. */
export type StripTile = { from: number; to: number };

/** Two sheets share so much of a strip, so that their marks can be laid on each other, µm. */
export const OVERLAP = 15_000;

/**
 * The sheets that a strip once round a pulley takes: each begins `OVERLAP` before the last one
 * ends, and the last goes as far beyond the end, to be laid on the beginning.
 *
 * @example stripTiles(600_000, 267_000).map(({ from }) => from) // [0, 252000, 504000]
 */
export function stripTiles(circumference: number, paper: number): StripTile[] {
  const end = circumference + OVERLAP;
  const tiles: StripTile[] = [];
  for (let from = 0; from === 0 || from + OVERLAP < end; from += paper - OVERLAP) {
    tiles.push({ from, to: Math.min(from + paper, end) });
  }
  return tiles;
}

/** A strip's mark, µm from its beginning. */
export type StripMark = TurnMark & { along: number };

/**
 * The marks of a strip that lie on one of its sheets. Beyond one turn the strip begins again.
 * `rim` is the pulley's diameter, µm.
 *
 * @example marksOn([{ at: 90, kind: 'ten' }], 100_000, { from: 0, to: 100_000 })[0]?.along // 78540
 */
export function marksOn(
  marks: readonly TurnMark[],
  rim: number,
  { from, to }: StripTile,
): StripMark[] {
  const once = rimArc(360, rim);
  const all = marks.flatMap((mark) => {
    const along = rimArc(mark.at, rim);
    return [
      { ...mark, along },
      { ...mark, along: along + once },
    ];
  });
  return all.filter(({ along }) => along >= from && along <= to).sort((a, b) => a.along - b.along);
}

/**
 * The diameter of a pulley from what was measured round it, both µm.
 *
 * @example rimOf(628_319) // 200000
 */
export function rimOf(circumference: number): number {
  return Math.round(circumference / Math.PI);
}
