import type { EngineSheet } from './sheet';

/** The sheet with the figures of the variant that carries this data tag: its setting wins. */
export function sheetForTag(sheet: EngineSheet, tag: string | undefined): EngineSheet {
  const variant = sheet.variants?.find((each) => each.tag === tag);
  if (!variant?.adjusters) return sheet;
  const specs = new Map(variant.adjusters.map(({ kind, spec }) => [kind, spec]));
  const adjusters = sheet.adjusters.map((entry) => {
    const spec = specs.get(entry.kind);
    return spec ? { ...entry, spec } : entry;
  });
  return { ...sheet, adjusters };
}
