import { adjustersOf, isWindow } from '..';
import { inlineSix } from '../../test-support/engines';

const setAtWindow = (window: [number, number]) => ({
  ...inlineSix(),
  adjusters: [{ kind: 'injector' as const, setAt: { window }, method: 'screw' as const }],
});

describe('an adjuster that is set between two angles', () => {
  it('has that arc, over the end of the cycle too, and all of it where both ends are one turn', () => {
    const [first] = adjustersOf(setAtWindow([700, 20]));
    expect(first?.place).toEqual({ arc: { from: 700, length: 40 }, need: 0 });
    expect(adjustersOf(setAtWindow([0, 720]))[0]?.place).toMatchObject({ arc: { length: 720 } });
  });

  it.each([
    [NaN, 20],
    [20, NaN],
  ])('stays one in a draft where an end is missing yet: %s to %s', (from, to) => {
    const sheet = setAtWindow([from, to]);
    expect(isWindow(sheet.adjusters[0]?.setAt)).toBe(true);
    const places = adjustersOf(sheet).map(({ place }) => place);
    expect(places).toHaveLength(6);
    for (const place of places) {
      expect(place).toEqual({
        refused: 'not-on-sheet',
        says: 'The sheet gives no window for the injector.',
      });
    }
  });

  it('is told from the base circle and from a full lift', () => {
    expect([undefined, 'base', { peak: 'intake' }].map(isWindow)).toEqual([false, false, false]);
  });
});
