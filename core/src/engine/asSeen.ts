import type { SeatedBank } from './layout';
import type { EngineSheet } from './sheet';

/** The end of the engine that a person stands at; the flywheel is at the rear. */
export const STANDS_AT = ['front', 'rear'] as const;
export type StandsAt = (typeof STANDS_AT)[number];

type Turning = { sense: 'clockwise' | 'counterclockwise'; seenFrom: string };

/**
 * Which way the engine turns as one sees it from where one stands: from the other end the sense
 * is the other. As the sheet has it where nobody said where they stand.
 *
 * @example turnsSeenFrom({ sense: 'clockwise', seenFrom: 'front' }, 'rear')
 *   // { sense: 'counterclockwise', seenFrom: 'rear' }
 */
export function turnsSeenFrom<T extends Turning>(turning: T, at: StandsAt | null): T {
  const end = turning.seenFrom === 'front' ? 'front' : 'rear';
  if (at === null || at === end) return turning;
  const sense = turning.sense === 'clockwise' ? 'counterclockwise' : 'clockwise';
  return { ...turning, sense, seenFrom: at };
}

/** What lies left and right where the head is drawn along the engine. */
export const HEAD_ENDS = ['front', 'rear'] as const;

/** How one looks at the head: with the front at the left, from the far side, or as it fires. */
export const HEAD_VIEWS = ['along', 'far', 'firing'] as const;
export type HeadView = (typeof HEAD_VIEWS)[number];

/** The head as one looks at it; `ends` are its left and right, none where it is drawn as it fires. */
export type SeenHead = { banks: SeatedBank[]; ends: readonly [string, string] | undefined };

/**
 * The banks of an engine as one looks at them. From the far side all is turned about: the far
 * bank is the near one, and the rear is at the left. As it fires, all cylinders stand in one row
 * in firing order, each with its adjusters as along the head.
 */
export function headSeen(
  sheet: Pick<EngineSheet, 'firing'>,
  banks: readonly SeatedBank[],
  view: HeadView,
): SeenHead {
  if (view === 'along') return { banks: [...banks], ends: HEAD_ENDS };
  if (view === 'far') {
    const about = [...banks].reverse().map((bank) => ({
      ...bank,
      cylinders: [...bank.cylinders].reverse().map((seated) => ({
        ...seated,
        valves: [...seated.valves].reverse(),
        adjusters: [...seated.adjusters].reverse(),
      })),
    }));
    return { banks: about, ends: ['rear', 'front'] };
  }
  const all = banks.flatMap(({ cylinders }) => cylinders);
  const fired = sheet.firing.order.flatMap((number) => {
    const seated = all.find(({ cylinder }) => cylinder === number);
    return seated ? [seated] : [];
  });
  return { banks: [{ name: 'in firing order', cylinders: fired }], ends: undefined };
}
