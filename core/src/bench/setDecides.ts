import type { Spec } from '../engine/sheet';
import type { BladeSet, BladeStack, LaidOut } from '../gauging/blades';
import { bladeFor, bladeStack, layOutBlades, plainBlades } from '../gauging/blades';

/** Which of the three figures of a setting. */
export type SpecFigure = 'low' | 'target' | 'high';

/** How a set of blades meets one figure of a setting. */
export type MetBy = {
  figure: SpecFigure;
  /** µm. */
  size: number;
  /** The blade, or the stack taken as one, that serves for it; none where it falls between. */
  by?: LaidOut;
  /** The single blades on either side of it, µm; 0 and null at the ends of the set. */
  between?: { below: number; above: number | null };
  /** The nearest stack, where nothing serves. */
  nearest?: BladeStack;
};

/**
 * What a set can decide of a setting: each of its figures is met by a blade, by a stack, or falls
 * between blades, where a reading cannot tell inside from outside. It lays the blades out by the
 * same function as a job.
 *
 * @example setDecides({ name: 'mm', unit: 'mm', blades: [250, 300] }, { low: 250, target: 275, high: 300 })[1]?.between
 *   // { below: 250, above: 300 }
 */
export function setDecides(set: BladeSet, spec: Spec): MetBy[] {
  const laid = layOutBlades(set, spec);
  const plain = plainBlades(set);
  return (['low', 'target', 'high'] as const).map((figure): MetBy => {
    const size = spec[figure];
    const by = bladeFor(laid, size);
    if (by) return { figure, size, by };
    const below = plain.filter((blade) => blade < size).pop() ?? 0;
    const above = plain.find((blade) => blade > size) ?? null;
    const nearest = bladeStack(plain, size);
    return { figure, size, between: { below, above }, ...(nearest && { nearest }) };
  });
}
