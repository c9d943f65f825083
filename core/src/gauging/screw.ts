/** An adjusting screw: pitch in µm a turn, and the rocker ratio that acts on the gap. */
export type Screw = { pitch: number; ratio: number; side: 'pushrod' | 'valve' };

/**
 * Turns of the screw for a change of the gap in µm: gap = pitch × turn × ratio, the ratio
 * counting only where the screw is on the pushrod side.
 */
export function turnsForGap(screw: Screw, gapChange: number): number {
  return gapChange / (screw.pitch * (screw.side === 'pushrod' ? screw.ratio : 1));
}
