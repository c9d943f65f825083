/** An adjusting screw: pitch in µm a turn, and the rocker ratio that acts on the gap. */
export type Screw = { pitch: number; ratio: number; side: 'pushrod' | 'valve' };

/**
 * Turns of the screw for a change of the gap in µm: gap = pitch × turn × ratio, the ratio
 * counting only where the screw is on the pushrod side.
 *
 * @example turnsForGap({ pitch: 1000, ratio: 1.25, side: 'pushrod' }, 125) // 0.1
 */
export function turnsForGap(screw: Screw, gapChange: number): number {
  return gapChange / (screw.pitch * (screw.side === 'pushrod' ? screw.ratio : 1));
}
