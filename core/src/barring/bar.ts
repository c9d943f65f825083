/**
 * Turns of the barring tool for `degrees` of the crank; `ratio` tool turns a crank turn.
 *
 * @example toolTurns(180, 11) // 5.5
 */
export function toolTurns(degrees: number, ratio: number): number {
  return (degrees / 360) * ratio;
}

/**
 * The arc on a rim of `diameter` µm for `degrees` of the crank, µm: π × diameter × share.
 *
 * @example rimArc(120, 200_000) // 209440
 */
export function rimArc(degrees: number, diameter: number): number {
  return Math.round((Math.PI * diameter * degrees) / 360);
}

/** Clicks of a ratchet of `teeth` teeth over so many turns of the tool. */
export function ratchetClicks(turns: number, teeth: number): number {
  return turns * teeth;
}
