import type { Spec } from '@longbar/core';

/** From the lower edge of a chart to the upper, µm, and into how many equal parts it is divided. */
export type Axis = { bottom: number; top: number; parts: number };

/** More figures than these do not fit beside a chart. */
const MOST_PARTS = 6;

/**
 * The axis of a chart that holds all `values`, µm, and the limits with room about them. Its lines
 * fall on both limits and halfway between, or on every limit's width where it is long: what one
 * reads off is what the sheet says.
 */
export function driftAxis(values: readonly number[], { low, high }: Spec): Axis {
  const range = Math.max(1, high - low);
  const [least, most] = [Math.min(low, ...values), Math.max(high, ...values)];
  const along = (step: number): Axis => {
    const bottom = low - step * Math.ceil((low - least + range / 5) / step);
    const parts = Math.ceil((most + range / 5 - bottom) / step);
    return { bottom, top: bottom + parts * step, parts };
  };
  let axis = along(range / 2);
  for (let step = range; axis.parts > MOST_PARTS; step *= 2) axis = along(step);
  return axis;
}
