import fc from 'fast-check';
import { aimFor, aimWords, judgeReading } from '..';

const spec = { low: 360, target: 400, high: 440 };
const closing = { rate: -47, low: -60, high: -35 };
const opening = { rate: 47, low: 35, high: 60 };
const blades = (from: number, to: number, step: number) =>
  Array.from({ length: (to - from) / step + 1 }, (_, i) => from + i * step);

describe('an aim', () => {
  it('is where it stays inside longest, with the sum written out', () => {
    const aim = aimFor({ spec, rate: closing }, 1000);
    expect(aim.setting).toBe(440);
    expect(aimWords(aim, spec, closing.rate)).toBe(
      'It closes 47 µm in 1,000 h: from 0.44 mm it lasts 1,700 h, from the maker’s 0.40 mm 850 h.',
    );
    const other = aimFor({ spec, rate: opening }, 1000);
    expect(other).toEqual({ ...aim, setting: 360 });
    expect(aimWords(other, spec, opening.rate)).toContain('It opens 47 µm');
  });

  it('is a blade after which the next one no longer enters, both inside the limits', () => {
    expect(aimFor({ spec, rate: closing, steps: blades(200, 600, 20) }, 1000).setting).toBe(420);
    expect(aimFor({ spec, rate: closing, steps: blades(200, 600, 50) }, 1000).setting).toBe(400);
    expect(aimFor({ spec, rate: opening, steps: blades(200, 600, 20) }, 1000).setting).toBe(360);
    expect(aimFor({ spec, rate: closing, steps: [] }, 1000).setting).toBe(400);
  });

  it('is the maker’s target where nobody knows which way it goes, or the target lasts', () => {
    expect(aimFor({ spec, rate: { rate: -47, low: -60, high: 5 } }, 1000).setting).toBe(400);
    expect(aimFor({ spec, rate: { rate: 0, low: 0, high: 0 } }, 1000)).toEqual({
      setting: 400,
      lasts: Infinity,
      lastsAtTarget: Infinity,
    });
    expect(aimFor({ spec, rate: closing }, 800).setting).toBe(400);
  });

  it('lasts at least as long as the target, and what is set by it is judged inside', () => {
    const limits = fc.record({
      low: fc.integer({ min: 100, max: 300 }),
      below: fc.integer({ min: 0, max: 150 }),
      above: fc.integer({ min: 0, max: 150 }),
    });
    const rates = fc.record({
      rate: fc.integer({ min: -200, max: 200 }),
      spread: fc.integer({ min: 0, max: 50 }),
    });
    const steps = fc.constantFrom(5, 10, 20, 50).map((step) => blades(step, 800, step));
    fc.assert(
      fc.property(limits, rates, steps, (limit, { rate, spread }, steps) => {
        const target = limit.low + limit.below;
        const spec = { low: limit.low, target, high: target + limit.above };
        const band = { rate, low: rate - spread, high: rate + spread };
        const aim = aimFor({ spec, rate: band, steps }, Infinity);
        expect(aim.lasts).toBeGreaterThanOrEqual(aim.lastsAtTarget);
        if (aim.setting === target) return;
        const next = steps[steps.indexOf(aim.setting) + 1]!;
        const judged = judgeReading(spec, { go: aim.setting, noGo: next }, 'leave-inside');
        expect(judged.verdict).toBe('inside');
      }),
    );
  });
});
