import type { GaugeFor } from '@longbar/core';

/**
 * The line that a simulated gauge sends when its data button is pressed: about the middle of what
 * is asked for, a little otherwise each time.
 *
 * @example simulatedLine({ measure: 'height', spec: { low: 63_000, high: 64_000 } }, 0) // '+63.500 mm'
 */
export function simulatedLine({ measure, spec: { low, high } }: GaugeFor, pressed: number): string {
  const step = (high - low) / 20;
  const figure = (low + high) / 2 + ((pressed % 5) - (pressed % 5 > 2 ? 5 : 0)) * step;
  return measure === 'preload'
    ? `${(figure / 1000).toFixed(2)} N.m`
    : `+${(figure / 1000).toFixed(3)} mm`;
}
