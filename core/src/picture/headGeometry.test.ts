import fc from 'fast-check';
import { headGeometry, ROCKER } from '..';

const bankOf = (cylinders: number, each: number) => ({
  cylinders: Array.from({ length: cylinders }, (_, i) => ({
    cylinder: i + 1,
    adjusters: Array.from({ length: each }, (_unused, a) => ({ id: `${i + 1}-${a}` })),
  })),
});

describe('the rockers of a bank', () => {
  it('stand in a row, none of them over another or over the edge, however narrow the screen', () => {
    const count = fc.integer({ min: 1, max: 12 });
    const each = fc.integer({ min: 1, max: 4 });
    const width = fc.integer({ min: 40, max: 150 });
    fc.assert(
      fc.property(count, each, width, fc.boolean(), (cylinders, of, column, short) => {
        const { scale, places } = headGeometry(bankOf(cylinders, of), column, short);
        const half = (ROCKER.width * scale) / 2;
        expect(places).toHaveLength(cylinders * of);
        expect(places[0]!.x - half).toBeGreaterThanOrEqual(0);
        expect(places.at(-1)!.x + half).toBeLessThanOrEqual(column * cylinders);
        places.slice(1).forEach(({ x }, i) => {
          expect(x - half).toBeGreaterThanOrEqual(places[i]!.x + half);
        });
      }),
    );
  });

  it('are drawn as large as their room allows, and lower where height is scarce', () => {
    const wide = headGeometry(bankOf(4, 2), 87);
    const narrow = headGeometry(bankOf(6, 4), 58);
    expect(narrow.scale).toBeLessThan(wide.scale);
    expect(headGeometry(bankOf(4, 2), 87, true).height).toBeLessThan(wide.height);
  });
});
