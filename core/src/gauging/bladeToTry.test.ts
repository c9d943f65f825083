import fc from 'fast-check';
import { layOutBlades, readingFromTrials, tapBlade } from './blades';
import { bladeToTry } from './bladeToTry';
import { verdictOf, judgeReading } from './judgeReading';
import { POLICIES } from './policy';
import type { Trial } from './reading';
import { middleOf } from './reading';

const spec = { low: 280, target: 330, high: 380 };
const steps = Array.from({ length: 60 }, (_, i) => ({ size: 20 + i * 10 }));

/** Tries what is asked for on a true gap until nothing more is. */
function readThrough(
  laid: { size: number }[],
  gap: number,
  policy: (typeof POLICIES)[number],
  wholeGap = false,
) {
  let tried: Trial[] = [];
  for (;;) {
    const blade = bladeToTry(laid, spec, tried, policy, wholeGap);
    if (!blade) return tried;
    tried = [...tried, { size: blade.size, enters: blade.size <= gap }];
  }
}

it('settles a gap with two blades where the set has both limits', () => {
  for (const gap of [150, 285, 330, 375, 500]) {
    const tried = readThrough(steps, gap, 'leave-inside');
    expect(tried.length).toBeLessThanOrEqual(2);
    const verdict = gap < 280 ? 'tight' : gap > 380 ? 'loose' : 'inside';
    expect(verdictOf(spec, readingFromTrials(tried))).toBe(verdict);
  }
});

it('ends with any set, gap and rule, never asks twice, and leaves open only what the set cannot tell', () => {
  const sizes = fc.uniqueArray(fc.integer({ min: 30, max: 700 }), { minLength: 1, maxLength: 12 });
  fc.assert(
    fc.property(
      sizes,
      fc.integer({ min: 0, max: 800 }),
      fc.constantFrom(...POLICIES),
      (blades, gap, policy) => {
        const laid = layOutBlades({ name: 'any', unit: 'mm', blades }, spec);
        const tried = readThrough(laid, gap, policy);
        expect(new Set(tried.map(({ size }) => size)).size).toBe(tried.length);
        const reading = readingFromTrials(tried);
        if (judgeReading(spec, reading, policy).action !== 'read-again') return;
        // Every blade between what entered and what did not has been tried.
        const between = laid.filter(
          ({ size }) => size > reading.go && size < (reading.noGo ?? Infinity),
        );
        expect(between.filter(({ size }) => !tried.some((trial) => trial.size === size))).toEqual(
          [],
        );
      },
    ),
  );
});

it('goes on from blades that were tapped by hand', () => {
  const tapped = tapBlade([], 300);
  expect(bladeToTry(steps, spec, tapped, 'leave-inside')?.size).toBe(380);
});

it('goes on where a shim is reckoned from the gap, until it is known as well as its limits ask', () => {
  const gaps = fc.integer({ min: 0, max: 600 });
  fc.assert(
    fc.property(gaps, fc.constantFrom(...POLICIES), (gap, policy) => {
      const { go, noGo } = readingFromTrials(readThrough(steps, gap, policy, true));
      expect(middleOf({ go, noGo })).toBeDefined();
      expect(go).toBeLessThanOrEqual(gap);
      expect(noGo).toBeGreaterThan(gap);
      // A shim by its middle brings it inside them, wherever in between it is.
      expect((noGo ?? Infinity) - go).toBeLessThanOrEqual(spec.high - spec.low);
    }),
  );
});

it('knows a gap a little outside its limits by three blades', () => {
  for (const gap of [190, 240, 279, 385, 430, 470]) {
    expect(readThrough(steps, gap, 'leave-inside', true).length).toBeLessThanOrEqual(3);
  }
});
