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

/**
 * A part of a turn in sixteenths, in lowest terms, whichever way; empty where it is none.
 *
 * @example partOfTurn(-0.13) // '1/8'
 * @example partOfTurn(1.25) // '1 1/4'
 */
export function partOfTurn(turns: number): string {
  const sixteenths = Math.round(Math.abs(turns) * 16);
  const whole = Math.floor(sixteenths / 16);
  let [over, under] = [sixteenths % 16, 16];
  if (over === 0) return whole === 0 ? '' : String(whole);
  while (over % 2 === 0) [over, under] = [over / 2, under / 2];
  return `${whole === 0 ? '' : `${whole} `}${over}/${under}`;
}
