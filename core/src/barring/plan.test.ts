import fc from 'fast-check';
import { engine, inlineSix, planned, sets } from '../../test-support/engines';
import { adjustersOf, firingOf, planBarring, runningMate } from '..';
import { holdsAt, marginAt } from './assembly';
import { BARRING_METHODS } from './methods';

describe('two positions', () => {
  it('splits the in-line six 1-5-3-6-2-4 as its trade knows it', () => {
    const plan = planned(planBarring(inlineSix(), { method: 'two-position' }));
    expect(plan.stops.map(({ at, turn, mark }) => ({ at, turn, mark }))).toEqual([
      { at: 0, turn: 0, mark: 'I' },
      { at: 360, turn: 360, mark: 'I' },
    ]);
    expect(sets(plan)).toEqual([
      ['exhaust.1', 'exhaust.3', 'exhaust.5', 'intake.1', 'intake.2', 'intake.4'],
      ['exhaust.2', 'exhaust.4', 'exhaust.6', 'intake.3', 'intake.5', 'intake.6'],
    ]);
    expect(plan.leftOver).toEqual([]);
    expect(plan.totalTurn).toBe(360);
    expect(plan.smallestMargin).toBe(105);
    expect(plan.spare).toBe(85);
  });

  it('splits the in-line four 1-3-4-2', () => {
    const plan = planned(planBarring(engine([1, 3, 4, 2]), { method: 'two-position' }));
    expect(sets(plan)).toEqual([
      ['exhaust.1', 'exhaust.3', 'intake.1', 'intake.2'],
      ['exhaust.2', 'exhaust.4', 'intake.3', 'intake.4'],
    ]);
  });

  it('says which rockers must be loose and which firm, and claims nothing between', () => {
    const [first] = planned(planBarring(inlineSix(), { method: 'two-position' })).stops;
    expect(first?.loose).toEqual(expect.arrayContaining(['intake.1', 'exhaust.1']));
    expect(first?.firm).toEqual(expect.arrayContaining(['intake.6', 'exhaust.6']));
  });

  it('begins with the turn on which the crank is found', () => {
    const plan = planned(planBarring(inlineSix(), { method: 'two-position', startAt: 360 }));
    expect(plan.stops.map(({ at, turn }) => [at, turn])).toEqual([
      [360, 0],
      [0, 360],
    ]);
    const between = planned(planBarring(inlineSix(), { method: 'two-position', startAt: 300 }));
    expect(between.stops.map(({ at, turn }) => [at, turn])).toEqual([
      [360, 60],
      [0, 360],
    ]);
    expect(between.totalTurn).toBe(420);
  });

  it('starts from another cylinder, and refuses a two-stroke', () => {
    const plan = planned(planBarring(inlineSix(), { method: 'two-position', cylinder: 5 }));
    expect(plan.stops.map(({ at }) => at)).toEqual([120, 480]);
    const twoStroke = engine([1, 3, 2], { cycle: 2 });
    expect(planBarring(twoStroke, { method: 'two-position' })).toHaveProperty(
      'refused',
      'two-stroke',
    );
    expect(planBarring(inlineSix(), { method: 'two-position', cylinder: 9 })).toHaveProperty(
      'refused',
      'not-on-engine',
    );
  });

  it('leaves over a brake at full intake lift, with where it would be set', () => {
    const sheet = inlineSix({
      adjusters: [
        { kind: 'intake' },
        { kind: 'exhaust' },
        { kind: 'brake', setAt: { peak: 'intake' } },
      ],
    });
    const plan = planned(planBarring(sheet, { method: 'two-position' }));
    expect(plan.leftOver.map(({ id, at }) => [id, at])).toContainEqual(['brake.1', 460]);
    expect(plan.leftOver).toHaveLength(6);
  });
});

describe('one cylinder at a time', () => {
  it('stops at every firing TDC in firing order, its own cylinder first', () => {
    const plan = planned(planBarring(inlineSix(), { method: 'each' }));
    expect(plan.stops.map(({ at }) => at)).toEqual([0, 120, 240, 360, 480, 600]);
    expect(plan.stops.map(({ set }) => set.map(({ id }) => id))).toEqual(
      [1, 5, 3, 6, 2, 4].map((c) => [`intake.${c}`, `exhaust.${c}`]),
    );
    expect(plan.totalTurn).toBe(600);
  });

  it('sets an injector that follows another cylinder at that stop, where the model allows', () => {
    const sheet = inlineSix({
      lobes: { injector: { opens: 600, closes: 900 } },
      adjusters: [{ kind: 'injector', setAt: 'base', follows: 2 }],
    });
    const plan = planned(planBarring(sheet, { method: 'each' }));
    expect(plan.stops[0]?.set.map(({ id }) => id)).toEqual(['injector.3']);
  });

  it('moves what must come after another kind to a later stop', () => {
    const sheet = inlineSix({
      adjusters: [
        { kind: 'intake' },
        { kind: 'exhaust', after: ['intake'], setAt: { window: [590, 620] } },
      ],
    });
    const plan = planned(planBarring(sheet, { method: 'each' }));
    const stopOf = (id: string) =>
      plan.stops.findIndex(({ set }) => set.some((adjuster) => adjuster.id === id));
    for (const cylinder of [1, 2, 3, 4, 5, 6]) {
      const exhaust = stopOf(`exhaust.${cylinder}`);
      if (exhaust >= 0) expect(exhaust).toBeGreaterThanOrEqual(stopOf(`intake.${cylinder}`));
      else expect(plan.leftOver.map(({ id }) => id)).toContain(`exhaust.${cylinder}`);
    }
  });
});

describe('the other methods', () => {
  it('tells each cylinder by the rocking of its mate, where it has one', () => {
    const plan = planned(planBarring(inlineSix(), { method: 'mate' }));
    expect(plan.stops.map(({ watch }) => watch)).toEqual(
      [6, 2, 4, 1, 5, 3].map((cylinder) => ({ cylinder, state: 'rocking' })),
    );
    expect(planBarring(engine([1, 2, 4, 5, 3]), { method: 'mate' })).toHaveProperty(
      'refused',
      'no-mate',
    );
  });

  it('finds the sum rule on mirrored heads and none elsewhere', () => {
    const mirrored = planned(planBarring(inlineSix(), { method: 'watch' }));
    expect(mirrored.rule).toEqual({ sum: 13 });
    const straight = planned(planBarring(engine([1, 5, 3, 6, 2, 4]), { method: 'watch' }));
    expect(straight).not.toHaveProperty('rule');
    expect(straight.stops.every(({ watch }) => watch && 'valve' in watch)).toBe(true);
  });

  it('holds the manual’s chart against the model and moves nothing', () => {
    const sheet = inlineSix({
      adjusters: [{ kind: 'intake' }],
      chart: [
        { mark: 'I', turn: 1, set: ['intake.1', 'intake.2', 'intake.6'] },
        { cylinder: 6, at: 'firing', set: ['intake.1', 'intake.3', 'intake.5'] },
      ],
    });
    const plan = planned(planBarring(sheet, { method: 'manual' }));
    expect(plan.stops.map(({ at }) => at)).toEqual([0, 360]);
    expect(plan.flags).toEqual([
      { id: 'intake.6', stop: 0, margin: -15, why: 'on lobe' },
      { id: 'intake.1', stop: 1, margin: -15, why: 'placed twice' },
      { id: 'intake.1', stop: 1, margin: -15, why: 'on lobe' },
      { id: 'intake.4', stop: null, margin: null, why: 'not placed' },
    ]);
    expect(planBarring(inlineSix(), { method: 'manual' })).toHaveProperty('refused', 'no-chart');
  });
});

const order = fc.integer({ min: 1, max: 8 }).chain((count) =>
  fc.shuffledSubarray(
    Array.from({ length: count }, (_, i) => i + 1),
    { minLength: count, maxLength: count },
  ),
);
const startAt = fc.option(fc.integer({ min: 0, max: 719 }), { nil: undefined });

describe('laws of every plan', () => {
  it('every placed adjuster meets its condition; every adjuster is placed once or left over', () => {
    fc.assert(
      fc.property(
        order,
        fc.constantFrom(...BARRING_METHODS),
        startAt,
        (cylinders, method, from) => {
          const sheet = engine(cylinders);
          const answer = planBarring(sheet, { method, startAt: from });
          if ('refused' in answer) return;
          const adjusters = adjustersOf(sheet);
          const seen = answer.stops.flatMap((stop) =>
            stop.set.map(({ id, margin }) => {
              const adjuster = adjusters.find((candidate) => candidate.id === id);
              expect(adjuster && holdsAt(adjuster, stop.at, 720)).toBe(true);
              expect(adjuster && marginAt(adjuster, stop.at, 720)).toBeCloseTo(margin, 6);
              return id;
            }),
          );
          const all = [...seen, ...answer.leftOver.map(({ id }) => id)].sort();
          expect(all).toEqual(adjusters.map(({ id }) => id).sort());
        },
      ),
    );
  });

  it('renumbering cylinders only renames the answer', () => {
    fc.assert(
      fc.property(
        order.chain((cylinders) =>
          fc.tuple(
            fc.constant(cylinders),
            fc.shuffledSubarray(cylinders, { minLength: cylinders.length }),
          ),
        ),
        fc.constantFrom('each' as const, 'mate' as const, 'fewest' as const),
        fc.integer({ min: 0, max: 719 }),
        ([cylinders, names], method, from) => {
          const renamed = new Map(cylinders.map((cylinder, i) => [cylinder, names[i]]));
          const rename = (text: string) =>
            text
              .replace(
                /"(intake|exhaust)\.(\d+)"/g,
                (_, kind, c) => `"${kind}.${renamed.get(Number(c))}"`,
              )
              .replace(/"cylinder":(\d+)/g, (_, c) => `"cylinder":${renamed.get(Number(c))}`);
          const before = planBarring(engine(cylinders), { method, startAt: from });
          const after = planBarring(engine(names), { method, startAt: from });
          if ('refused' in before) expect(after).toHaveProperty('refused');
          else expect(JSON.parse(rename(JSON.stringify(before)))).toEqual(after);
        },
      ),
    );
  });

  it('mates fire 360° apart and are each other’s', () => {
    fc.assert(
      fc.property(order, (cylinders) => {
        const firing = firingOf(engine(cylinders));
        for (const cylinder of cylinders) {
          const mate = runningMate(firing, cylinder);
          if (mate !== undefined) expect(runningMate(firing, mate)).toBe(cylinder);
        }
      }),
    );
  });
});
