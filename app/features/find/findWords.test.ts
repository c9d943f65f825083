import type { EngineSheet } from '@longbar/core';
import { isRefused, planBarring } from '@longbar/core';
import { oddOnes, onward, placesWords } from './findWords';

const sheet = {
  format: 'longbar.sheet/1',
  name: 'Six',
  cycle: 4,
  firing: { order: [1, 5, 3, 6, 2, 4] },
  adjusters: [{ kind: 'intake' }, { kind: 'exhaust' }],
  marks: [{ name: 'II', at: 120 }],
} as EngineSheet;
const plan = planBarring(sheet, { method: 'each' });
if (isRefused(plan)) throw new Error(plan.refused);
const interval = (from: number, to: number) => ({ from, to, against: [] });

describe('where the crank is, in words', () => {
  it('counts the places and how wide they are, through zero too', () => {
    expect(placesWords([])).toBe('Nothing fits.');
    expect(placesWords([interval(0, 719)])).toContain('anywhere');
    expect(placesWords([interval(716, 4)])).toBe('One place, 9° wide.');
    expect(placesWords([interval(0, 34), interval(360, 371)])).toBe(
      'One of 2 places, 35° and 12° wide.',
    );
  });

  it('names each odd one once', () => {
    const odd = { id: 'exhaust.4', state: 'firm' } as const;
    const seen = { mark: 'II', state: 'at' } as const;
    expect(
      oddOnes([
        { ...interval(0, 4), against: [odd] },
        { ...interval(9, 12), against: [odd, seen] },
      ]),
    ).toEqual([
      'No. 4 exhaust is the odd one out: tight lash, or misread.',
      'Mark II does not fit the rest: is it the right mark?',
    ]);
  });

  it('tells how far to bar and what must be loose there; nothing while too uncertain', () => {
    expect(onward(sheet, plan, [interval(60, 80)])).toBe(
      'Bar 40° to 60° on clockwise, to mark II. There: No. 5 both loose, No. 2 both firm.',
    );
    expect(onward(sheet, plan, [interval(0, 90)])).toBe('');
  });
});
