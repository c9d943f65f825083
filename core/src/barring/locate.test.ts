import fc from 'fast-check';
import { engine, inlineSix, planned } from '../../test-support/engines';
import type { Observation } from '..';
import { adjustersOf, barTo, locateCrank, planBarring } from '..';
import { marginIn } from '../engine/arc';

function located(...observations: Observation[]) {
  const answer = locateCrank(inlineSix(), observations);
  if ('refused' in answer) throw new Error(answer.refused);
  return answer;
}

describe('where the crank is', () => {
  it('knows nothing to begin with', () => {
    const { intervals, next } = located();
    expect(intervals).toEqual([{ from: 0, to: 719, against: [] }]);
    expect(next).toBeDefined();
  });

  it('leaves both turns open at a mark, and one once a rocker is felt', () => {
    const mark = { mark: 'I', state: 'at' } as const;
    expect(located(mark).intervals).toEqual([
      { from: 356, to: 364, against: [] },
      { from: 716, to: 4, against: [] },
    ]);
    const loose = [
      { id: 'intake.1', state: 'loose' },
      { id: 'exhaust.1', state: 'loose' },
    ] as const;
    expect(located(mark, ...loose).intervals).toEqual([{ from: 716, to: 4, against: [] }]);
  });

  it('names the odd one out', () => {
    const odd = { id: 'exhaust.3', state: 'firm' } as const;
    const { intervals } = located(
      { mark: 'I', state: 'at' },
      { id: 'intake.1', state: 'loose' },
      { id: 'exhaust.1', state: 'loose' },
      { cylinder: 6, state: 'rocking' },
      odd,
    );
    expect(intervals).toEqual([{ from: 716, to: 4, against: [odd] }]);
  });

  it('refuses what this engine cannot tell', () => {
    const refusal = (o: Observation) =>
      locateCrank(
        inlineSix({
          adjusters: [{ kind: 'intake' }, { kind: 'exhaust' }, { kind: 'injector', setAt: 'base' }],
        }),
        [o],
      );
    expect(refusal({ id: 'injector.1', state: 'loose' })).toHaveProperty('refused');
    expect(refusal({ id: 'intake.7', state: 'loose' })).toHaveProperty('refused');
    expect(refusal({ mark: 'X', state: 'at' })).toHaveProperty('refused');
    const noOverlap = inlineSix({
      lobes: { intake: { opens: 380, closes: 560 }, exhaust: { opens: 150, closes: 350 } },
    });
    expect(locateCrank(noOverlap, [{ cylinder: 1, state: 'rocking' }])).toHaveProperty('refused');
  });

  it('never excludes the true position by true observations', () => {
    const sheet = engine([1, 3, 4, 2]);
    const adjusters = adjustersOf(sheet);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 719 }), fc.subarray([...adjusters]), (truth, felt) => {
        const observations = felt.map(({ id, baseCircle }): Observation => ({
          id,
          state: baseCircle && marginIn(baseCircle, truth, 720) >= 0 ? 'loose' : 'firm',
        }));
        const answer = locateCrank(sheet, observations);
        if ('refused' in answer) throw new Error(answer.refused);
        const inside = answer.intervals.some(({ from, to }) =>
          from <= to ? truth >= from && truth <= to : truth >= from || truth <= to,
        );
        expect(inside).toBe(true);
        for (const { against } of answer.intervals) expect(against).toEqual([]);
      }),
    );
  });
});

describe('the way to the next stop', () => {
  const plan = planned(planBarring(inlineSix(), { method: 'each' }));

  it('tells the smallest and the largest way to the stop ahead of all that remains', () => {
    expect(barTo(plan, [{ from: 300, to: 320 }])).toEqual({ stop: 3, from: 40, to: 60 });
    expect(barTo(plan, [{ from: 716, to: 4 }])).toEqual({ stop: 1, from: 116, to: 124 });
  });

  it('is silent while the crank may be anywhere over 60°', () => {
    expect(barTo(plan, [{ from: 300, to: 361 }])).toBeUndefined();
    expect(
      barTo(plan, [
        { from: 356, to: 364 },
        { from: 716, to: 4 },
      ]),
    ).toBeUndefined();
  });
});
