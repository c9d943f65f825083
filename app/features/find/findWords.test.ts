import type { CrankArc, CrankBelief, EngineSheet } from '@longbar/core';
import { describeOdd, describeSeen, isRefused, planBarring } from '@longbar/core';
import { onward, placesWords } from './findWords';

const sheet = {
  format: 'longbar.sheet/1',
  name: 'Six',
  cycle: 4,
  firing: { order: [1, 5, 3, 6, 2, 4] },
  adjusters: [{ kind: 'intake' }, { kind: 'exhaust' }],
  marks: [{ name: 'II', at: 120 }],
} as EngineSheet;
const plan = planBarring(sheet, { method: 'each' });
if (isRefused(plan)) throw new Error(plan.says);
const arc = (from: number, to: number) => ({ from, to });
const told = (from: number, to: number): CrankBelief => ({
  best: [arc(from, to)],
  plausible: [arc(from, to)],
  odd: [],
  told: true,
});

describe('where the crank is, in words', () => {
  it('counts the places and how wide they are, through zero too', () => {
    const places = (...arcs: CrankArc[]) => placesWords(arcs, sheet);
    expect(places()).toBe('Nothing fits.');
    expect(places(arc(0, 719))).toBe('It may stand anywhere. Begin with a mark or a rocker.');
    expect(placesWords([arc(0, 359)], { cycle: 2 })).toContain('anywhere');
    expect(places(arc(716, 4))).toBe('One place, 9° wide.');
    expect(places(arc(0, 34), arc(360, 371))).toBe('One of 2 places, 35° and 12° wide.');
  });

  it('asks for no mark where the engine has none', () => {
    const words = 'It may stand anywhere. Begin with a rocker.';
    expect(placesWords([arc(0, 719)], { cycle: 4 })).toBe(words);
    expect(placesWords([arc(0, 719)], { cycle: 4, marks: [] })).toBe(words);
  });

  it('does not say what to begin with where one thing is asked for', () => {
    expect(placesWords([arc(0, 719)], sheet, true)).toBe('It may stand anywhere.');
    expect(placesWords([arc(0, 34)], sheet, true)).toBe('One place, 35° wide.');
  });

  it('names each odd one, and what was seen', () => {
    expect(describeOdd(['exhaust.4'])).toEqual([
      'No. 4 exhaust is the odd one: tight, slack or misread.',
    ]);
    expect(describeSeen({ mark: 'II', state: 'at' })).toBe('mark II at the pointer');
    expect(describeSeen({ id: 'intake.1', state: 'peak' })).toBe(
      'No. 1 intake has stopped going down',
    );
    expect(describeSeen({ cylinder: 3, state: 'top' })).toBe('No. 3 at its top');
  });

  it('tells how far to bar and what must be felt there; nothing while it is not told', () => {
    const clockwise = { sense: 'clockwise' } as const;
    expect(onward(sheet, plan, told(60, 80), clockwise)).toBe(
      'Bar 40° to 60° on clockwise, to mark II. There: No. 5 both loose, No. 2 both firm.',
    );
    expect(onward(sheet, plan, told(60, 80), undefined)).toContain('in its normal direction');
    expect(onward(sheet, plan, { ...told(0, 90), told: false }, clockwise)).toBe('');
  });
});
