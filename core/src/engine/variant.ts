import type { EngineSheet } from './sheet';

/** The same object for the same tag: what is worked out of a sheet is kept by it. */
const known = new WeakMap<EngineSheet, Map<string, EngineSheet>>();

/** The sheet with the figures of the variant that carries this data tag: its setting wins. */
export function sheetForTag(sheet: EngineSheet, tag: string | undefined): EngineSheet {
  const variant = sheet.variants?.find((each) => each.tag === tag);
  if (tag === undefined || !variant?.adjusters) return sheet;
  const tags = known.get(sheet) ?? new Map<string, EngineSheet>();
  known.set(sheet, tags);
  const made = tags.get(tag) ?? withFigures(sheet, variant.adjusters);
  tags.set(tag, made);
  return made;
}

type Figures = NonNullable<NonNullable<EngineSheet['variants']>[number]['adjusters']>;

function withFigures(sheet: EngineSheet, figures: Figures): EngineSheet {
  const specs = new Map(figures.map(({ kind, spec }) => [kind, spec]));
  const adjusters = sheet.adjusters.map((entry) => {
    const spec = specs.get(entry.kind);
    return spec ? { ...entry, spec } : entry;
  });
  return { ...sheet, adjusters };
}
