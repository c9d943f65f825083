/** Set between two angles of the cycle, degrees after the cylinder's own firing TDC. */
export type WindowPlace = { window: [from: number, to: number] };

/**
 * Whether an adjuster is set between two angles. In a draft either end may be missing yet.
 *
 * @param setAt - where an entry of a sheet says that it is set
 * @returns whether it names a window
 * @example isWindow({ window: [20, 60] }) // true
 */
export function isWindow(setAt: unknown): setAt is WindowPlace {
  return typeof setAt === 'object' && setAt !== null && 'window' in setAt;
}
