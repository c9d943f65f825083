import fc from 'fast-check';
import type { Notation } from './notations';
import { OF_MEASURE, OF_TEMPERATURE, OF_TORQUE, THREADS } from './notations';

describe('a figure of a sheet, in the unit that the manual has', () => {
  it.each<[string, Notation, string, number]>([
    ['a lash in mm', OF_MEASURE.mm, '0.30', 300],
    ['a lash in thou', OF_MEASURE.thou, '12', 305],
    ['a height in inches', OF_MEASURE.in, '2.748', 69_799],
    ['a preload in lb·in', OF_MEASURE['lb·in'], '8', 904],
    ['a nut in lb·ft', OF_TORQUE['lb·ft'], '34', 46.098],
    ['metal in °F', OF_TEMPERATURE['°F'], '160', 71.1],
    ['a thread by threads in an inch', THREADS, '24', 1058],
  ])('%s: is kept as the sheet has it, and shown as it was typed', (_, notation, typed, kept) => {
    expect(notation.read(Number(typed))).toBe(kept);
    expect(notation.show(kept)).toBe(typed);
  });

  it.each([
    ['lb·ft', OF_TORQUE['lb·ft'], 0.01],
    ['thou', OF_MEASURE.thou, 0.1],
    ['inches', OF_MEASURE.in, 0.001],
    ['lb·in', OF_MEASURE['lb·in'], 0.1],
    ['°F', OF_TEMPERATURE['°F'], 1],
  ])('comes back to the last place of %s, whatever it is', (_, notation, place) => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3000 }), (places) => {
        const typed = places * place;
        expect(Number(notation.show(notation.read(typed)))).toBeCloseTo(typed, 6);
      }),
    );
  });
});
