import { SeededRandom } from '@longbar/core';
import { driftAxis } from './driftAxis';

const spec = { low: 450, target: 500, high: 550 };
const figures = ({ bottom, top, parts }: ReturnType<typeof driftAxis>) =>
  Array.from({ length: parts + 1 }, (_, i) => bottom + (i * (top - bottom)) / parts);

describe('the axis of a chart of drift', () => {
  it('names the limits and what lies halfway between', () => {
    expect(figures(driftAxis([510, 500, 490], spec))).toEqual([400, 450, 500, 550, 600]);
    expect(figures(driftAxis([510, 390, 370], spec))).toEqual([350, 400, 450, 500, 550, 600]);
  });

  it('holds all that was read with room about it, in few parts, and the lower limit among them', () => {
    const chance = new SeededRandom(7);
    for (let round = 0; round < 200; round++) {
      const values = Array.from({ length: 5 }, () => chance.whole(0, 1500));
      const axis = driftAxis(values, spec);
      expect(axis.parts).toBeLessThanOrEqual(6);
      expect(axis.bottom).toBeLessThanOrEqual(Math.min(...values, spec.low) - 20);
      expect(axis.top).toBeGreaterThanOrEqual(Math.max(...values, spec.high) + 20);
      expect(figures(axis)).toContain(spec.low);
    }
  });

  it('is of some height where the limits are one figure', () => {
    const { bottom, top } = driftAxis([500], { low: 500, target: 500, high: 500 });
    expect(top).toBeGreaterThan(bottom);
  });
});
