import { assert, integer, nat, property } from 'fast-check';
import { PAPERS, pixels } from '../shared/paper';
import { ENGINE_LABEL, MACHINE_LABEL, sheetsOf } from './labelFormats';

describe('sheets of labels', () => {
  it('place every label once, in order, behind what is used up', () => {
    assert(
      property(nat(200), integer({ min: -3, max: 40 }), (count, skip) => {
        const sheets = sheetsOf(count, skip, MACHINE_LABEL);
        const placed = sheets.flat();
        expect(sheets.every((places) => places.length === 10)).toBe(true);
        expect(placed.filter((each) => each !== null)).toEqual(
          Array.from({ length: count }, (_, i) => i),
        );
        const before = Math.min(Math.max(skip, 0), 9);
        if (count > 0) expect(placed.indexOf(0)).toBe(before);
        expect(placed.slice(-10).some((each) => each !== null) || count === 0).toBe(true);
      }),
    );
  });

  it('fit on both papers, and are printed as large as they are told', () => {
    for (const { label, columns, rows } of [MACHINE_LABEL, ENGINE_LABEL]) {
      for (const paper of Object.values(PAPERS)) {
        expect(label.width * columns).toBeLessThanOrEqual(paper.width - 10);
        expect(label.height * rows).toBeLessThanOrEqual(paper.height - 10);
      }
    }
    expect(pixels(25.4)).toBeCloseTo(96, 9);
  });
});
