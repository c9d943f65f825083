import type { LaidOut, SteppedBlade } from '@longbar/core';

/**
 * The place in a row of blades, and of stepped leaves behind them, of the one that comes nearest to a
 * size, µm: a set may hold none that meets it. -1 where the row is empty.
 */
export function nearestInRow(
  laid: readonly LaidOut[],
  leaves: readonly SteppedBlade[],
  wanted: number,
): number {
  const off = [
    ...laid.map(({ size }) => Math.abs(size - wanted)),
    ...leaves.map(({ go, noGo }) => Math.max(go - wanted, wanted - noGo, 0)),
  ];
  return off.indexOf(Math.min(...off));
}
