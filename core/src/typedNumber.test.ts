import fc from 'fast-check';
import { formatHours, formatMillimetres, readNumber } from '.';

describe('a number as it is typed', () => {
  it.each([
    ['0.33', 0.33],
    ['0,33', 0.33],
    ['.013', 0.013],
    [',013', 0.013],
    ['63,123', 63.123],
    ['6,612.5', 6612.5],
    ['6.612,5', 6612.5],
    ['6 612', 6612],
    ['−5', -5],
    ['-5,5', -5.5],
    [' 12 ', 12],
  ])('reads %s', (text, figure) => {
    expect(readNumber(text)).toBe(figure);
  });

  it.each(['', 'x', '12h', '1-2', '1,2,3', '.', '1.2.3'])('refuses %j', (text) => {
    expect(readNumber(text)).toBeUndefined();
  });

  it('reads back hours and lengths as they are printed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9_999_999 }), (tenths) => {
        expect(readNumber(formatHours(tenths / 10), { groups: true })).toBe(tenths / 10);
      }),
    );
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999 }), (length) => {
        expect(readNumber(formatMillimetres(length))).toBeCloseTo(length / 1000, 6);
      }),
    );
  });
});
