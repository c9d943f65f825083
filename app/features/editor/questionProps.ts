import type { AdjusterEntry, Units } from '@longbar/core';
import type { Draft } from './useDraft';

/** What every question of the editor is given. */
export type QuestionProps = {
  draft: Draft;
  /** In which the manual gives its figures. */
  units: Units;
};

/** What a question of one kind of adjuster is given. */
export type AdjusterProps = QuestionProps & {
  entry: AdjusterEntry;
  /** The entry's place in the sheet's list. */
  place: number;
};

/** What is wrong at a path or below it, as one text; undefined where nothing is. */
export function mistakeAt({ issues }: Draft, path: string): string | undefined {
  const own = issues.filter((issue) => issue.path === path || issue.path.startsWith(`${path}.`));
  return own.length ? [...new Set(own.map(({ message }) => message))].join(' ') : undefined;
}
