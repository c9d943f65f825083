import fc from 'fast-check';
import { engine, inlineSix, planned, sets } from '../../test-support/engines';
import {
  adjustersOf,
  describeSet,
  describeWatch,
  firingOf,
  planBarring,
  rockersToFeel,
  seatingOf,
} from '..';
import { holdsAt } from './assembly';

/** Two-position charts for firing orders well known in the trade. */
describe('well-known orders', () => {
  it.each([
    [[1, 3, 4, 2], 'intake 1 2, exhaust 1 3', 'intake 3 4, exhaust 2 4'],
    [[1, 2, 4, 3], 'intake 1 3, exhaust 1 2', 'intake 2 4, exhaust 3 4'],
    [[1, 5, 3, 6, 2, 4], 'intake 1 2 4, exhaust 1 3 5', 'intake 3 5 6, exhaust 2 4 6'],
    [[1, 4, 2, 6, 3, 5], 'intake 1 3 5, exhaust 1 2 4', 'intake 2 4 6, exhaust 3 5 6'],
  ])('%j', (order, first, second) => {
    const plan = planned(planBarring(engine(order), { method: 'two-position' }));
    expect(plan.stops.map(({ set }) => describeSet(set))).toEqual([first, second]);
    expect(plan.leftOver).toEqual([]);
  });

  it('sets an eight in two positions and a three only one by one', () => {
    const eight = planned(
      planBarring(engine([1, 5, 4, 2, 6, 3, 7, 8]), { method: 'two-position' }),
    );
    expect(sets(eight).flat()).toHaveLength(16);
    expect(eight.leftOver).toEqual([]);
    const three = planned(planBarring(engine([1, 3, 2]), { method: 'each' }));
    expect(three.stops.map(({ at, turn }) => [at, turn])).toEqual([
      [0, 0],
      [240, 240],
      [480, 240],
    ]);
  });
});

describe('uneven, vee and two-stroke engines', () => {
  it('takes uneven gaps as given', () => {
    const vee = engine([1, 2], { firing: { order: [1, 2], gaps: [270, 450] } });
    expect([...firingOf(vee).at.values()]).toEqual([0, 270]);
    const plan = planned(planBarring(vee, { method: 'each' }));
    expect(plan.stops.map(({ at }) => at)).toEqual([0, 270]);
    expect(planBarring(vee, { method: 'mate' })).toHaveProperty('refused', 'no-mate');
  });

  it('numbers valves along the first bank and then the next', () => {
    const banks = [
      { name: 'A', cylinders: [1, 3], valves: ['EI', 'EJI'] },
      { name: 'B', cylinders: [2, 4], valves: ['IE', 'IE'] },
    ];
    const seated = seatingOf(engine([1, 3, 4, 2], { layout: { banks } }));
    const numbers = seated.flatMap(({ cylinders }) =>
      cylinders.map(({ cylinder, valves }) => [cylinder, valves.map(({ number }) => number)]),
    );
    expect(numbers).toEqual([
      [1, [1, 2]],
      [3, [3, 4]],
      [2, [5, 6]],
      [4, [7, 8]],
    ]);
    expect(seated[1]?.cylinders[0]?.adjusters.map(({ kind }) => kind)).toEqual([
      'intake',
      'exhaust',
    ]);
  });

  it('needs the lobes of a two-stroke and refuses its mates', () => {
    const bare = engine([1, 3, 2], { cycle: 2, adjusters: [{ kind: 'exhaust' }] });
    const without = planned(planBarring(bare, { method: 'each' }));
    expect(without.leftOver).toHaveLength(3);
    expect(without.smallestMargin).toBeNull();
    const given = { ...bare, lobes: { exhaust: { opens: 90, closes: 250 } } };
    const plan = planned(planBarring(given, { method: 'each' }));
    expect(plan.stops.map(({ at }) => at)).toEqual([0, 120, 240]);
    expect(plan.leftOver).toEqual([]);
    expect(planBarring(given, { method: 'mate' })).toHaveProperty('refused', 'two-stroke');
  });

  it('sets brakes at full intake lift where a whole degree stands there', () => {
    const sheet = inlineSix({
      marks: [],
      adjusters: [{ kind: 'brake', setAt: { peak: 'intake', within: 5 } }],
    });
    const plan = planned(planBarring(sheet, { method: 'fewest' }));
    expect(plan.stops).toHaveLength(6);
    expect(plan.smallestMargin).toBe(5);
    expect(plan.stops.map(({ at }) => at)).toContain(460);
  });

  it('holds a window of the manual, through zero as well', () => {
    const sheet = engine([1], { adjusters: [{ kind: 'injector', setAt: { window: [700, 20] } }] });
    const [adjuster] = adjustersOf(sheet);
    const holds = (at: number) => adjuster !== undefined && holdsAt(adjuster, at, 720);
    expect([699, 700, 719, 0, 20, 21].map(holds)).toEqual([false, true, true, true, true, false]);
  });
});

describe('what tells a stop', () => {
  it('names the pair where there is one, else the two that tell the turn best', () => {
    const [first] = planned(planBarring(inlineSix(), { method: 'two-position' })).stops;
    expect(first && rockersToFeel(inlineSix(), first.at)).toEqual({
      loose: ['intake.1', 'exhaust.1'],
      firm: ['intake.6', 'exhaust.6'],
    });
    const three = engine([1, 3, 2]);
    const [stop] = planned(planBarring(three, { method: 'each' })).stops;
    if (!stop) throw new Error('The three has no stop.');
    const here = rockersToFeel(three, stop.at);
    const oneTurnOn = rockersToFeel(three, stop.at + 360);
    expect(here).toEqual({
      loose: ['intake.2', 'exhaust.3'],
      firm: ['exhaust.2', 'intake.3'],
    });
    expect(oneTurnOn.loose).toEqual(expect.arrayContaining(here.firm));
  });

  it('is said in words', () => {
    expect(describeWatch({ cylinder: 6, state: 'rocking' })).toBe('When No. 6 rocks.');
    expect(describeWatch({ id: 'exhaust.3', valve: 5, state: 'down' })).toContain('valve 5');
  });

  it('claims loose and firm only where the lobe leaves no doubt', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 719 }), (startAt) => {
        const { stops } = planned(planBarring(inlineSix(), { method: 'each', startAt }));
        for (const { loose, firm } of stops) {
          expect(loose.filter((id) => firm.includes(id))).toEqual([]);
        }
      }),
    );
  });
});
