import type { Adjuster } from '../engine/adjusters';
import { adjustersOf } from '../engine/adjusters';
import type { Firing } from '../engine/firing';
import { firingOf, firingTdc, runningMate } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import { withMark } from './sites';

/** How a rocker is found at the mark; `moving` is seen moving as the mark goes through. */
export type RockerFeel = 'loose' | 'firm' | 'moving';

/** The first position: a cylinder and its running mate, and the mark that tells the crank. */
export type FirstPosition = {
  cylinder: number;
  mate: number;
  mark?: string;
  /** The four rockers that tell the turn. */
  rockers: Adjuster[];
};

/**
 * The cylinder whose firing TDC begins the work, and the mate whose rockers tell the turn.
 * Undefined where the cylinder has no running mate.
 */
export function firstPosition(sheet: EngineSheet, cylinder = 1): FirstPosition | undefined {
  const firing: Firing = firingOf(sheet);
  const mate = firing.at.has(cylinder) ? runningMate(firing, cylinder) : undefined;
  if (mate === undefined) return undefined;
  const { mark } = withMark({ at: firingTdc(firing, cylinder) }, sheet);
  const rockers = adjustersOf(sheet)
    .filter(({ kind, n }) => (kind === 'intake' || kind === 'exhaust') && n === 1)
    .filter((adjuster) => adjuster.cylinder === cylinder || adjuster.cylinder === mate)
    .sort((a, b) => a.cylinder - b.cylinder || a.kind.localeCompare(b.kind));
  return { cylinder, mate, rockers, ...(mark !== undefined && { mark }) };
}

export type PositionJudgement =
  { found: number; firing: number } | { waiting: string[] } | { check: string[] };

/**
 * Which of the two turns the crank is on at the mark. Only when one cylinder has both
 * rockers loose and its mate both firm or moving is the answer given; a tight valve feels
 * firm on its base circle, so any mix is a question, not a position.
 */
export function judgePosition(
  sheet: EngineSheet,
  felt: Readonly<Record<string, RockerFeel>>,
  position: FirstPosition,
): PositionJudgement {
  const waiting = position.rockers.filter(({ id }) => !felt[id]).map(({ id }) => id);
  if (waiting.length > 0) return { waiting };
  const firing = firingOf(sheet);
  const looseIn = (cylinder: number) =>
    position.rockers.filter(({ id, cylinder: own }) => own === cylinder && felt[id] === 'loose');
  const count = (cylinder: number) =>
    position.rockers.filter(({ cylinder: own }) => own === cylinder).length;
  const { cylinder, mate } = position;
  for (const [fires, other] of [
    [cylinder, mate],
    [mate, cylinder],
  ] as const) {
    if (looseIn(fires).length === count(fires) && looseIn(other).length === 0) {
      return { found: firingTdc(firing, fires), firing: fires };
    }
  }
  return { check: whatToCheck(position, looseIn(cylinder).length, looseIn(mate).length) };
}

function whatToCheck(
  { cylinder, mate, mark }: FirstPosition,
  own: number,
  other: number,
): string[] {
  const atMark = mark === undefined ? 'the mark' : `mark ${mark}`;
  if (own > 0 && other > 0) {
    return [
      `Cylinders ${cylinder} and ${mate} cannot both be loose at TDC. Is it ${atMark}, and not an injection mark beside it?`,
      'Bar a few degrees either side in the normal direction and feel again: near TDC the firm ones begin to move.',
      'A rocker with too much lash can feel loose on its lobe: look whether its valve is pushed down.',
    ];
  }
  return [
    'A valve with no lash left feels firm on base circle. Feel whether its push rod turns between two fingers, engine at rest.',
    `Bar a few degrees either side of ${atMark} in the normal direction and feel again.`,
    'Check that it is the TDC mark, and that cylinder 1 is at the end you think.',
  ];
}
