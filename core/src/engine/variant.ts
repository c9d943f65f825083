import { rememberBy, rememberEach } from '../remember';
import type { EngineSheet } from './sheet';

const APPLIED = Symbol('applies to one engine');

/**
 * A sheet as it applies to one engine, with the figures of the data tag that was read on it.
 * Only this file makes one: whatever judges a reading asks for it, so that the figures as
 * published can never judge an engine with a tag of its own.
 */
export type AppliedSheet = EngineSheet & { readonly [APPLIED]: true };

/** What a data tag says of the figures: the setting of each kind that it changes. */
export type TagFigures = NonNullable<NonNullable<EngineSheet['variants']>[number]['adjusters']>;

/** The sheet with the figures of the variant that carries this data tag: its setting wins. */
export function sheetForTag(sheet: EngineSheet, tag: string | undefined): AppliedSheet {
  return sheetWith(sheet, figuresOf(sheet, tag));
}

/** The figures that a sheet gives for a data tag; none where it does not know it. */
export function figuresOf(sheet: EngineSheet, tag: string | undefined): TagFigures {
  if (tag === undefined) return [];
  return sheet.variants?.find((each) => each.tag === tag)?.adjusters ?? [];
}

/**
 * The sheet with these figures in place of its own, each for its kind of adjuster: the same object
 * for the same figures.
 */
export const sheetWith = rememberBy(withFigures, (figures: TagFigures) =>
  figures.length === 0 ? '' : JSON.stringify(figures),
);

/** The sheet of an engine whose marks are not where they should be: the same object for the same. */
export const withoutMarks = rememberEach(
  ({ marks: _, ...sheet }: AppliedSheet): AppliedSheet => sheet,
);

function withFigures(sheet: EngineSheet, figures: TagFigures): AppliedSheet {
  const specs = new Map(figures.map(({ kind, spec }) => [kind, spec]));
  const adjusters = sheet.adjusters.map((entry) => {
    const spec = specs.get(entry.kind);
    return spec ? { ...entry, spec } : entry;
  });
  return { ...sheet, adjusters, [APPLIED]: true };
}
