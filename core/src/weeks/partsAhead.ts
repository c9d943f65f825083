/** A part, how many machines need it, which, and by when. */
export type PartAhead = { part: string; machines: string[]; by: string };

/**
 * The parts that planned machines need by their sheets, each with the machines and the first day it
 * is needed by, in the order of these.
 */
export function partsAhead(
  planned: readonly { name: string; week: string; parts: readonly string[] }[],
): PartAhead[] {
  const parts = new Map<string, PartAhead>();
  const inOrder = [...planned].sort((a, b) => a.week.localeCompare(b.week));
  for (const { name, week, parts: own } of inOrder) {
    for (const part of new Set(own)) {
      const known = parts.get(part);
      if (known) known.machines.push(name);
      else parts.set(part, { part, machines: [name], by: week });
    }
  }
  return [...parts.values()];
}
