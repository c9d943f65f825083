import fc from 'fast-check';
import { ratchetClicks, rimArc, toolTurns } from './bar';

const degrees = fc.integer({ min: 0, max: 720 });

describe('barring in the measure of the tool at hand', () => {
  it('is the crank’s share of a turn, times the gearing of the tool', () => {
    expect(toolTurns(360, 11)).toBe(11);
    expect(toolTurns(120, 11)).toBeCloseTo(3.6667, 4);
    expect(ratchetClicks(toolTurns(90, 4), 72)).toBe(72);
  });

  it('is an arc of the rim, in whole µm', () => {
    expect(rimArc(360, 286_000)).toBe(898_495);
    expect(rimArc(120, 286_000)).toBe(299_498);
  });

  it('adds up over two bars, but for the rounding of a µm each', () => {
    fc.assert(
      fc.property(degrees, degrees, fc.integer({ min: 1, max: 2_000_000 }), (a, b, rim) => {
        expect(Math.abs(rimArc(a, rim) + rimArc(b, rim) - rimArc(a + b, rim))).toBeLessThanOrEqual(
          1,
        );
        expect(toolTurns(a, 7) + toolTurns(b, 7)).toBeCloseTo(toolTurns(a + b, 7), 9);
      }),
    );
  });
});
