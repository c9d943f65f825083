import { shownAs, specFrom } from './typedFigures';

const spec = { low: 280, target: 330, high: 380 };

describe('limits as manuals print them', () => {
  it('are three figures, and one that is missing is missing', () => {
    expect(specFrom('three', spec, undefined)).toEqual(spec);
    expect(specFrom('three', { low: 280, high: undefined }, spec)).toEqual({ low: 280 });
    expect(specFrom('three', {}, spec)).toBeUndefined();
  });

  it('are a target with a tolerance', () => {
    expect(specFrom('tolerance', { target: 330, within: 50 }, undefined)).toEqual(spec);
    expect(specFrom('tolerance', { target: 330 }, undefined)).toEqual({ target: 330 });
    expect(shownAs('tolerance', spec)).toEqual({ target: 330, within: 50 });
  });

  it('are a range, whose target is the middle where none inside was given', () => {
    expect(specFrom('range', { low: 280, high: 380 }, undefined)).toEqual(spec);
    expect(specFrom('range', { low: 280, high: 381 }, undefined)?.target).toBe(331);
    expect(specFrom('range', { low: 280, high: 380 }, { target: 300 })?.target).toBe(300);
    expect(specFrom('range', { low: 280, high: 380 }, { target: 900 })?.target).toBe(330);
  });

  it('come back as they were whichever way they are shown', () => {
    for (const how of ['three', 'tolerance', 'range'] as const) {
      expect(specFrom(how, shownAs(how, spec), spec)).toEqual(spec);
    }
  });
});
