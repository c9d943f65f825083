import type { AdjusterKind } from './kinds';
import { isTelling, kindSpelled } from './kinds';
import type { EngineSheet } from './sheet';
import { adjustersOf } from './adjusters';
import type { Adjuster } from './adjusters';

/** One valve as one looks down on the head: its number counts along the banks from the front. */
export type Valve = { number: number; kind: 'intake' | 'exhaust'; n: number };
export type SeatedCylinder = {
  cylinder: number;
  valves: Valve[];
  /** The adjusters of the cylinder in their places from the front. */
  adjusters: Adjuster[];
};
export type SeatedBank = { name: string; cylinders: SeatedCylinder[] };

/**
 * The engine from above: banks, their cylinders from the front to the rear, the valves of
 * each numbered along the first bank and then the next, and the adjusters in their places.
 * Where a sheet has no layout the cylinders stand in one row by number, exhaust first.
 */
export function seatingOf(sheet: EngineSheet): SeatedBank[] {
  const adjusters = adjustersOf(sheet);
  const byNumber = [...sheet.firing.order].sort((a, b) => a - b);
  const banks = sheet.layout?.banks ?? [{ name: 'A', cylinders: byNumber, valves: undefined }];
  let valveNumber = 0;
  return banks.map((bank, b) => ({
    name: bank.name ?? 'AB'[b] ?? String(b + 1),
    cylinders: bank.cylinders.map((cylinder, i) => {
      const spelled = bank.valves?.[i] ?? 'EI';
      const count = { intake: 0, exhaust: 0 };
      const valves = [...spelled].flatMap((letter): Valve[] => {
        const kind = kindSpelled(letter);
        if (!kind || !isTelling(kind)) return [];
        return [{ number: ++valveNumber, kind, n: ++count[kind] }];
      });
      const own = adjusters.filter((adjuster) => adjuster.cylinder === cylinder);
      return { cylinder, valves, adjusters: inPlace(own, spelled) };
    }),
  }));
}

/** Adjusters in the order of the letters; what no letter spells stands behind, by kind. */
function inPlace(own: Adjuster[], spelled: string): Adjuster[] {
  const seen: Partial<Record<AdjusterKind, number>> = {};
  const placed: Adjuster[] = [];
  for (const letter of spelled) {
    const kind = kindSpelled(letter);
    if (!kind) continue;
    const n = (seen[kind] = (seen[kind] ?? 0) + 1);
    const adjuster = own.find((candidate) => candidate.kind === kind && candidate.n === n);
    if (adjuster) placed.push(adjuster);
  }
  return [...placed, ...own.filter((adjuster) => !placed.includes(adjuster))];
}
