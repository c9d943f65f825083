import type { EngineSheet } from '@longbar/core';
import { isRefused, parseSheet } from '@longbar/core';

/**
 * What of a draft can be drawn: the draft itself where it is right, else without what does
 * not change the head (name, chart, marks), else with the cylinders firing by number while
 * the order is still being tapped. Undefined where even that says nothing.
 */
export function drawableOf(draft: EngineSheet): EngineSheet | undefined {
  const { chart: _chart, marks: _marks, ...bare } = draft;
  const named = { ...bare, name: draft.name || 'New engine' };
  const cylinders = draft.layout?.banks.flatMap((bank) => bank.cylinders) ?? draft.firing.order;
  const counted = { ...named, firing: { order: [...cylinders].sort((a, b) => a - b) } };
  for (const candidate of [draft, { ...draft, name: named.name }, named, counted]) {
    const parsed = parseSheet(candidate);
    if (!isRefused(parsed)) return parsed.sheet;
  }
  return undefined;
}
