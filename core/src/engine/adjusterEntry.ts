import { rememberEach } from '../remember';
import { adjustersOf } from './adjusters';
import { readId } from './kinds';
import type { AdjusterEntry, EngineSheet, Spec } from './sheet';

/** The sheet's entry behind an adjuster's id. */
export function entryOf(sheet: EngineSheet, id: string): AdjusterEntry | undefined {
  return adjusterById(sheet).get(id)?.entry;
}

/** Every tap looks up many adjusters of one sheet. */
const adjusterById = rememberEach(
  (sheet: EngineSheet) => new Map(adjustersOf(sheet).map((adjuster) => [adjuster.id, adjuster])),
);

/** The setting of an adjuster: µm, or mN·m for a preload. */
export function specOf(sheet: EngineSheet, id: string): Spec | undefined {
  return entryOf(sheet, id)?.spec;
}

/**
 * An adjuster's name for people: `exhaust.3` is "No. 3 exhaust".
 *
 * @example adjusterName('exhaust.3') // 'No. 3 exhaust'
 */
export function adjusterName(id: string): string {
  const { kind, cylinder, n } = readId(id);
  return `No. ${cylinder} ${kind}${n === undefined ? '' : ` ${n}`}`;
}
