import type { EngineSheet } from '../../engine/sheet';
import { closingItems, isolationsOf, readyItems } from '../instruction/gates';
import type { JobState } from '../journal/state';

/** The words of a job's lists, which its events name by their ids: `isolation battery`. */
export type ItemNames = ReadonlyMap<string, string>;

/** What is ticked in this job: before the work, isolated, closed up, and taken back. */
export function itemNames(sheet: EngineSheet, state: JobState): ItemNames {
  return new Map([
    ...readyItems(sheet).map(({ id, text }) => [`ready ${id}`, text] as const),
    ...isolationsOf(sheet).map(({ id, text }) => [`isolation ${id}`, text] as const),
    ...isolationsOf(sheet).map(({ id, undo }) => [`undo ${id}`, undo] as const),
    ...closingItems(sheet, state).map(({ id, text }) => [`closing ${id}`, text] as const),
  ]);
}
