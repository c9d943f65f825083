import { inlineSix } from '../../test-support/engines';
import { sheetForTag, specOf } from '..';

const late = { low: 380, target: 430, high: 480 };
const sheet = inlineSix({
  variants: [
    { tag: 'A', adjusters: [] },
    { tag: 'B', adjusters: [{ kind: 'exhaust', spec: late }] },
    { tag: 'C' },
  ],
});

describe('the figures of a variant', () => {
  it('win over the sheet’s, for the kinds that the data tag names', () => {
    const own = sheetForTag(sheet, 'B');
    expect(specOf(own, 'exhaust.3')).toEqual(late);
    expect(specOf(own, 'intake.3')).toEqual(specOf(sheet, 'intake.3'));
    expect(own.adjusters[1]).toMatchObject({ kind: 'exhaust', setAt: 'base' });
  });

  it('are the sheet’s own where the tag is not read, not known or says nothing', () => {
    for (const tag of [undefined, '', 'Z', 'C']) {
      expect(sheetForTag(sheet, tag).adjusters).toEqual(sheet.adjusters);
    }
    expect(specOf(sheetForTag(sheet, 'A'), 'exhaust.1')).toEqual(specOf(sheet, 'exhaust.1'));
    expect(sheetForTag(inlineSix(), 'B').variants).toBeUndefined();
  });

  it('leave the sheet as it was, and are the same object for the same tag', () => {
    const before = JSON.stringify(sheet);
    expect(sheetForTag(sheet, 'B')).toBe(sheetForTag(sheet, 'B'));
    expect(JSON.stringify(sheet)).toBe(before);
  });
});
