import { wrap } from './angle';
import { cycleDegrees } from './firing';
import type { AdjusterKind } from './kinds';
import { KINDS } from './kinds';
import type { EngineSheet, Lobe } from './sheet';

/** The lobe of a kind: the sheet's, else the typical one of a four-stroke, else none. */
export function lobeOf(sheet: EngineSheet, kind: AdjusterKind): Lobe | undefined {
  const given = kind === 'bridge' ? undefined : sheet.lobes?.[kind];
  return given ?? (sheet.cycle === 4 ? KINDS[kind].typical : undefined);
}

/** Whether the figures of this kind's lobe are assumed rather than the maker's. */
export function lobeIsAssumed(sheet: EngineSheet, kind: AdjusterKind): boolean {
  if (kind === 'bridge' || !sheet.lobes?.[kind]) return lobeOf(sheet, kind) !== undefined;
  const assumed = sheet.lobes.assumed;
  return Array.isArray(assumed) ? assumed.includes(kind) : assumed === true;
}

/** The kinds of lobes that an engine's adjusters ride and whose figures are assumed. */
export function assumedLobes(sheet: EngineSheet): AdjusterKind[] {
  const ridden = new Set(sheet.adjusters.map(({ kind, lobe }) => lobe ?? kind));
  return [...ridden].filter((kind) => lobeIsAssumed(sheet, kind));
}

/** The lobe's length in degrees. */
export function lobeLength(lobe: Lobe, cycle: number): number {
  return wrap(lobe.closes - lobe.opens, cycle);
}

/**
 * The angle of full lift on the cylinder's own scale: as given, else the middle of the
 * lobe. An injector's lobe is far from symmetrical, so its peak is known only if given.
 */
export function lobePeak(kind: AdjusterKind, lobe: Lobe, cycle: number): number | undefined {
  if (lobe.peak !== undefined) return lobe.peak;
  return kind === 'injector' ? undefined : lobe.opens + lobeLength(lobe, cycle) / 2;
}

/**
 * Lift for drawing, 0 on base circle to 1 at the peak, at `r` degrees after the cylinder's
 * firing TDC. A raised cosine either side of the peak: smooth, not any maker's profile.
 */
export function lift(sheet: EngineSheet, kind: AdjusterKind, r: number): number {
  const lobe = lobeOf(sheet, kind);
  if (!lobe) return 0;
  const cycle = cycleDegrees(sheet);
  const length = lobeLength(lobe, cycle);
  const into = wrap(r - lobe.opens, cycle);
  if (into >= length) return 0;
  const peak = wrap((lobe.peak ?? lobe.opens + length / 2) - lobe.opens, cycle);
  const share = into < peak ? into / peak : (length - into) / (length - peak);
  return (1 - Math.cos(Math.PI * share)) / 2;
}
