import type { Adjuster } from './adjusters';
import { adjustersOf } from './adjusters';
import { readId } from './kinds';
import type { AdjusterEntry, EngineSheet, Spec } from './sheet';

/** The sheet's entry behind an adjuster's id. */
export function entryOf(sheet: EngineSheet, id: string): AdjusterEntry | undefined {
  return adjusterById(sheet).get(id)?.entry;
}

/** Sheets are never changed in place: every tap looks up many adjusters of one of them. */
const known = new WeakMap<EngineSheet, ReadonlyMap<string, Adjuster>>();

/** The adjusters of an engine by their ids. */
export function adjusterById(sheet: EngineSheet): ReadonlyMap<string, Adjuster> {
  const before = known.get(sheet);
  if (before) return before;
  const made = new Map(adjustersOf(sheet).map((adjuster) => [adjuster.id, adjuster]));
  known.set(sheet, made);
  return made;
}

/** The setting of an adjuster: µm, or mN·m for a preload. */
export function specOf(sheet: EngineSheet, id: string): Spec | undefined {
  return entryOf(sheet, id)?.spec;
}

/** An adjuster's name for people: `exhaust.3` is "No. 3 exhaust". */
export function adjusterName(id: string): string {
  const { kind, cylinder, n } = readId(id);
  return `No. ${cylinder} ${kind}${n === undefined ? '' : ` ${n}`}`;
}
