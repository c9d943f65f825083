import type { EngineSheet, Measure, Spec } from '@longbar/core';
import { figuresOf, formatSpecInBoth, measureOf, sheetForTag } from '@longbar/core';

/** A setting with what is measured: "lash 0.33 mm (0.28 to 0.38), 13 thou". */
export function settingWords(spec: Spec, measure: Measure): string {
  return `${measure} ${formatSpecInBoth(measure, spec)}`;
}

/** What a data tag says otherwise than the sheet, in the order of its adjusters. */
export function tagWords(sheet: EngineSheet, tag: string): string {
  const changed = new Set(figuresOf(sheet, tag).map(({ kind }) => kind));
  const said = sheetForTag(sheet, tag).adjusters.flatMap(({ spec, ...entry }) =>
    spec && changed.has(entry.kind) ? `${entry.kind} ${settingWords(spec, measureOf(entry))}` : [],
  );
  return said.join('; ') || 'the same figures';
}
