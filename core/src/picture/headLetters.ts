import { KINDS } from '../engine/kinds';
import { seatingOf } from '../engine/layout';
import type { EngineSheet } from '../engine/sheet';

/**
 * A head in the fewest letters: each bank as a word a cylinder from the front, E, I and J for the
 * kinds of adjusters in their places, each kind once.
 *
 * @example headLetters(six) // ['EI IE EI IE EI IE']
 */
export function headLetters(sheet: EngineSheet): string[] {
  return seatingOf(sheet).map(({ cylinders }) =>
    cylinders
      .map(({ adjusters }) =>
        [...new Set(adjusters.map(({ kind }) => KINDS[kind].spelled ?? ''))].join(''),
      )
      .join(' '),
  );
}
