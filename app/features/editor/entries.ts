import type { EngineSheet } from '@longbar/core';

/** The lists of a sheet that grow and shrink while it is written. */
type ListKey =
  | 'marks'
  | 'isolations'
  | 'torques'
  | 'tools'
  | 'parts'
  | 'cautions'
  | 'photos'
  | 'variants'
  | 'chart';

/** Takes one entry out of a list; a list without any goes with it, as if it had never been begun. */
export function takeOut(sheet: EngineSheet, key: ListKey, place: number): void {
  sheet[key]?.splice(place, 1);
  if (sheet[key]?.length === 0) delete sheet[key];
}

/** An id that none of these has yet: "torque-3". */
export function freeId(entries: readonly { id: string }[], one: string): string {
  const taken = new Set(entries.map(({ id }) => id));
  let number = entries.length + 1;
  while (taken.has(`${one}-${number}`)) number++;
  return `${one}-${number}`;
}
