import fc from 'fast-check';
import { SeededRandom } from './seededRandom';
import { median, quantile, robustDeviation } from './statistics';

const figures = fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1 });

describe('the median', () => {
  it('is the middle of the figures in order, or midway between the two', () => {
    fc.assert(
      fc.property(figures, (all) => {
        const sorted = [...all].sort((a, b) => a - b);
        expect(median(all)).toBeCloseTo(quantile(sorted, 0.5), 6);
        expect(median(Float64Array.from(all))).toBe(median(all));
      }),
    );
  });

  it('leaves the figures as they were, whatever their order and however many are alike', () => {
    const all = [3, 1, 2, 2, 2, 9, 2];
    expect(median(all)).toBe(2);
    expect(all).toEqual([3, 1, 2, 2, 2, 9, 2]);
    expect(median([5])).toBe(5);
    expect(median([5, 5, 5, 5])).toBe(5);
    expect(median([])).toBeNaN();
  });

  it('moves and stretches with the figures', () => {
    fc.assert(
      fc.property(figures, fc.integer({ min: -1000, max: 1000 }), (all, by) => {
        expect(median(all.map((each) => each + by))).toBeCloseTo(median(all) + by, 4);
        expect(median(all.map((each) => -each))).toBeCloseTo(-median(all), 6);
      }),
    );
  });
});

describe('the robust deviation', () => {
  it('is nothing of figures all alike, and hardly moved by a wild one', () => {
    expect(robustDeviation([4, 4, 4])).toBe(0);
    const calm = [10, 12, 11, 9, 10, 13, 8];
    expect(robustDeviation([...calm, 100_000])).toBeLessThan(2 * robustDeviation(calm) + 1);
  });

  it('is near the deviation of a bell curve it is drawn from', () => {
    const random = new SeededRandom(3);
    const drawn = Array.from({ length: 20_000 }, () => 50 + 7 * random.normal());
    expect(robustDeviation(drawn)).toBeCloseTo(7, 0);
    expect(median(drawn)).toBeCloseTo(50, 0);
  });
});

describe('seeded chance', () => {
  it('is the same for the same seed, and even', () => {
    const [one, other] = [new SeededRandom(8), new SeededRandom(8)];
    const drawn = Array.from({ length: 6000 }, () => one.whole(1, 6));
    expect(drawn).toEqual(Array.from({ length: 6000 }, () => other.whole(1, 6)));
    for (let face = 1; face <= 6; face++) {
      const share = drawn.filter((each) => each === face).length / drawn.length;
      expect(share).toBeGreaterThan(0.14);
      expect(share).toBeLessThan(0.2);
    }
  });

  it('shuffles without losing any', () => {
    const shuffled = new SeededRandom(2).shuffled([1, 2, 3, 4, 5, 6, 7]);
    expect(shuffled).not.toEqual([1, 2, 3, 4, 5, 6, 7]);
    expect([...shuffled].sort()).toEqual([1, 2, 3, 4, 5, 6, 7]);
  });
});
