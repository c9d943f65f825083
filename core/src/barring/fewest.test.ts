import fc from 'fast-check';
import { engine, inlineSix, planned } from '../../test-support/engines';
import { times } from '../../test-support/times';
import type { EngineSheet } from '..';
import { adjustersOf, planBarring } from '..';
import { compareInOrder, turnsOf } from './sites';
import { holdsAt, marginAt } from './assembly';
import { apart } from '../engine/angle';

/** The best plan by trying every subset of the marked angles: slow, and plainly right. */
function exhaustive(sheet: EngineSheet, startAt?: number) {
  const adjusters = adjustersOf(sheet);
  const angles = [...new Set((sheet.marks ?? []).flatMap(({ at }) => [at, at + 360]))].sort(
    (a, b) => a - b,
  );
  const served = adjusters.filter((a) => angles.some((at) => holdsAt(a, at, 720)));
  const home = 0;
  let best: number[] | undefined;
  let bestStops: number[] = [];
  for (let bits = 1; bits < 1 << angles.length; bits++) {
    const chosen = angles.filter((_, i) => bits & (1 << i));
    const margins = served.map((a) =>
      Math.max(
        ...chosen.filter((at) => holdsAt(a, at, 720)).map((at) => marginAt(a, at, 720) as number),
      ),
    );
    if (margins.some((margin) => margin === -Infinity)) continue;
    const least = Math.min(...chosen.map((at) => apart(at, home, 720)));
    for (const [i, first] of chosen.entries()) {
      const way = (at: number) => (at - (startAt ?? 0) + 720) % 720;
      if (
        startAt === undefined
          ? apart(first, home, 720) > least
          : chosen.some((at) => way(at) < way(first))
      )
        continue;
      const order = [...chosen.slice(i), ...chosen.slice(0, i)];
      const turns = turnsOf(order, 720, startAt);
      const total = turns.reduce((a, b) => a + b, 0);
      const near = startAt === undefined ? least : way(first);
      const score = [chosen.length, -Math.min(...margins), total, near, ...turns];
      if (!best || compareInOrder(score, best) < 0) [best, bestStops] = [score, order];
    }
  }
  return { stops: bestStops, smallestMargin: best ? -(best[1] as number) : null };
}

const cylinders = fc
  .integer({ min: 1, max: 5 })
  .map((n) => Array.from({ length: n }, (_, i) => i + 1));
const marks = fc
  .uniqueArray(fc.integer({ min: 0, max: 359 }), { minLength: 1, maxLength: 4 })
  .map((angles) => angles.map((at, i) => ({ name: `M${i}`, at })));

describe('fewest stops', () => {
  it('is no worse than any choice of marks, with every tie broken as told', () => {
    fc.assert(
      fc.property(
        cylinders,
        marks,
        fc.option(fc.integer({ min: 0, max: 719 }), { nil: undefined }),
        fc.integer({ min: 0, max: 60 }),
        (order, at, startAt, guard) => {
          const sheet = engine(order, {
            marks: at,
            adjusters: [
              { kind: 'intake', guard },
              { kind: 'exhaust', guard },
            ],
          });
          const plan = planned(planBarring(sheet, { method: 'fewest', startAt }));
          const best = exhaustive(sheet, startAt);
          expect(plan.stops.map((stop) => stop.at)).toEqual(best.stops);
          expect(plan.smallestMargin).toEqual(best.smallestMargin);
        },
      ),
      {
        numRuns: times(300, 30_000),
        // Both marks leave the same margin, at the beginning of one arc and at the end of another.
        examples: [
          [
            [1],
            [
              { name: 'M0', at: 305 },
              { name: 'M1', at: 40 },
            ],
            undefined,
            0,
          ],
        ],
      },
    );
  });

  it('needs two stops on the six without marks and offers the firing TDCs beside them', () => {
    const { marks: _, ...unmarked } = inlineSix();
    const plan = planned(planBarring(unmarked, { method: 'fewest' }));
    expect(plan.stops).toHaveLength(2);
    expect(plan.smallestMargin).toBeGreaterThanOrEqual(105);
    expect(plan.atFiring?.stops.map(({ at }) => at)).toEqual([0, 360]);
    expect(plan.atFiring?.cost).toBeCloseTo((plan.smallestMargin ?? 0) - 105, 6);
  });

  it('plans for what the marks serve and leaves over the rest', () => {
    const sheet = engine([1], {
      marks: [{ name: 'T', at: 0 }],
      adjusters: [{ kind: 'intake' }, { kind: 'brake', setAt: { peak: 'intake' } }],
    });
    const plan = planned(planBarring(sheet, { method: 'fewest' }));
    expect(plan.stops.map(({ at }) => at)).toEqual([0]);
    expect(plan.leftOver).toEqual([
      { id: 'brake.1', at: 460, reason: expect.stringContaining('none of these stops') },
    ]);
  });

  it('shifting the order with the marks shifts the stops and nothing else', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5 }), (places) => {
        const shift = places * 120;
        const order = [1, 5, 3, 6, 2, 4];
        const turned = [...order.slice(places), ...order.slice(0, places)];
        const marksShifted = (inlineSix().marks ?? []).map(({ name, at }) => ({
          name,
          at: (at - shift + 720) % 360,
        }));
        const before = planned(planBarring(inlineSix(), { method: 'fewest' }));
        const after = planned(
          planBarring(inlineSix({ firing: { order: turned }, marks: marksShifted }), {
            method: 'fewest',
          }),
        );
        expect(
          after.stops.map(({ at, mark, turn, set }) => ({
            at: (at + shift) % 720,
            mark,
            turn,
            set: set.map(({ id, margin }) => `${id} ${margin}`).sort(),
          })),
        ).toEqual(
          before.stops.map(({ at, mark, turn, set }) => ({
            at,
            mark,
            turn,
            set: set.map(({ id, margin }) => `${id} ${margin}`).sort(),
          })),
        );
      }),
    );
  });
});
