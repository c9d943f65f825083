import fc from 'fast-check';
import { inlineSix } from '../../test-support/engines';
import { camLanes } from '..';
import { lift, lobeIsAssumed, lobeLength, lobeOf, lobePeak } from './lobes';

const kinds = ['intake', 'exhaust'] as const;

describe('lobes', () => {
  it('are the sheet’s, else typical ones that are said to be assumed', () => {
    const given = inlineSix({ lobes: { intake: { opens: 340, closes: 580 } } });
    expect(lobeOf(given, 'intake')).toEqual({ opens: 340, closes: 580 });
    expect(lobeIsAssumed(given, 'intake')).toBe(false);
    expect(lobeOf(given, 'exhaust')).toBeDefined();
    expect(lobeIsAssumed(given, 'exhaust')).toBe(true);
    const some = { ...given.lobes, exhaust: { opens: 130, closes: 375 } };
    expect(lobeIsAssumed(inlineSix({ lobes: { ...some, assumed: ['exhaust'] } }), 'exhaust')).toBe(
      true,
    );
  });

  it('are none where nothing is known: a brake, a bridge, a two-stroke without figures', () => {
    expect(lobeOf(inlineSix(), 'brake')).toBeUndefined();
    expect(lobeOf(inlineSix(), 'bridge')).toBeUndefined();
    const { lobes: _, ...rest } = inlineSix();
    expect(lobeOf({ ...rest, cycle: 2 }, 'intake')).toBeUndefined();
    expect(lift({ ...rest, cycle: 2 }, 'intake', 100)).toBe(0);
  });

  it('have their peak in the middle, unless given; an injector’s is not guessed', () => {
    const lobe = { opens: 700, closes: 920 };
    expect(lobeLength(lobe, 720)).toBe(220);
    expect(lobePeak('intake', lobe, 720)).toBe(810);
    expect(lobePeak('intake', { ...lobe, peak: 800 }, 720)).toBe(800);
    expect(lobePeak('injector', lobe, 720)).toBeUndefined();
  });
});

describe('lift', () => {
  const sheet = inlineSix();

  it('is nothing on the base circle, all at the peak, and never beyond', () => {
    fc.assert(
      fc.property(fc.constantFrom(...kinds), fc.integer({ min: -2000, max: 2000 }), (kind, r) => {
        const at = lift(sheet, kind, r);
        expect(at).toBeGreaterThanOrEqual(0);
        expect(at).toBeLessThanOrEqual(1);
        expect(lift(sheet, kind, r + 720)).toBeCloseTo(at, 9);
      }),
    );
    expect(lift(sheet, 'intake', 460)).toBe(1);
    expect(lift(sheet, 'intake', 344)).toBe(0);
    expect(lift(sheet, 'intake', 575)).toBe(0);
  });

  it('rises to the peak and falls from it', () => {
    for (let r = 345; r < 460; r++) {
      expect(lift(sheet, 'intake', r + 1)).toBeGreaterThan(lift(sheet, 'intake', r));
    }
    for (let r = 460; r < 575; r++) {
      expect(lift(sheet, 'intake', r + 1)).toBeLessThan(lift(sheet, 'intake', r));
    }
  });
});

describe('the lanes of the cam map', () => {
  it('are one a cylinder in firing order, each as much later as it fires', () => {
    const lanes = camLanes(inlineSix());
    expect(lanes.map(({ cylinder }) => cylinder)).toEqual([1, 5, 3, 6, 2, 4]);
    // Cylinder 5 fires a third of a turn after cylinder 1; a lane is sampled every 6 degrees.
    const [first, second] = [lanes[0]!, lanes[1]!];
    for (let i = 0; i + 20 < first.intake.length; i++) {
      expect(second.intake[i + 20]).toBeCloseTo(first.intake[i] as number, 9);
      expect(second.exhaust[i + 20]).toBeCloseTo(first.exhaust[i] as number, 9);
    }
    expect(first.intake[0]).toBe(first.intake.at(-1));
  });
});
