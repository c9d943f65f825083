import fc from 'fast-check';
import { engine, inlineSix, planned } from '../../test-support/engines';
import type { CrankBelief, CrankEntry, EngineSheet } from '../index';
import {
  adjustersOf,
  crankBelief,
  holdsAt,
  isRefused,
  marginAt,
  planBarring,
  settable,
  wayTo,
} from '../index';

const six = inlineSix();
const twoStroke = engine([1, 2, 3], {
  cycle: 2,
  lobes: { exhaust: { opens: 95, closes: 265 } },
  adjusters: [{ kind: 'exhaust' }],
  marks: [{ name: 'T', at: 0 }],
});

const at = (mark: string): CrankEntry => ({ seen: { mark, state: 'at' } });
const feel = (id: string, state: 'loose' | 'firm' | 'down' | 'peak'): CrankEntry => ({
  seen: { id, state },
});
const cylinder = (number: number, state: 'rocking' | 'top'): CrankEntry => ({
  seen: { cylinder: number, state },
});
const turned = (by: number | null, within?: number): CrankEntry => ({
  turned: { by, ...(within !== undefined && { within }) },
});
/** Both rockers of a cylinder. */
const both = (number: number, state: 'loose' | 'firm') => [
  feel(`intake.${number}`, state),
  feel(`exhaust.${number}`, state),
];

function believed(sheet: EngineSheet, history: CrankEntry[]): CrankBelief {
  const belief = crankBelief(sheet, history);
  if (isRefused(belief)) throw new Error(belief.says);
  return belief;
}
const plausible = (sheet: EngineSheet, ...history: CrankEntry[]) =>
  believed(sheet, history).plausible.map(({ from, to }) => `${from}–${to}`);

describe('where the crank is', () => {
  it('is anywhere while nothing is known', () => {
    expect(believed(six, [])).toMatchObject({
      best: [{ from: 0, to: 719 }],
      plausible: [{ from: 0, to: 719 }],
      odd: [],
      told: false,
    });
    expect(plausible(twoStroke)).toEqual(['0–359']);
  });

  it.each([
    ['a mark, either turn, through 0', [at('I')], ['356–364', '716–4']],
    ['a valve fully down at a glance', [feel('intake.1', 'down')], ['430–490']],
    ['a valve at its peak, turned slowly', [feel('intake.1', 'peak')], ['452–468']],
    ['a cylinder rocking', [cylinder(1, 'rocking')], ['340–380']],
    ['a piston at its top, either turn', [cylinder(5, 'top')], ['105–135', '465–495']],
    ['a mark carried on by a turn', [at('I'), turned(100, 3)], ['93–107', '453–467']],
    ['a turn whose tolerance nobody gave', [feel('intake.1', 'peak'), turned(10)], ['452–488']],
    [
      'several turns, their tolerances added',
      [feel('intake.1', 'peak'), turned(10, 1.5), turned(10, 1)],
      ['469–491'],
    ],
    [
      'half a degree, rounded as one rounds',
      [feel('intake.1', 'peak'), turned(0.5, 0)],
      ['452–468'],
    ],
    [
      'a turn of 270° that may be a full one out',
      [feel('intake.1', 'peak'), turned(270, 0)],
      ['2–18', '362–378'],
    ],
    ['a turn of 269° that is not doubted', [feel('intake.1', 'peak'), turned(269, 0)], ['1–17']],
    ['nothing from before an unknown turn', [feel('intake.1', 'peak'), turned(null)], ['0–719']],
    [
      'only the second look at the same rocker',
      [feel('intake.1', 'peak'), feel('intake.1', 'loose')],
      ['0–719'],
    ],
    [
      'both looks with a turn between',
      [feel('intake.1', 'peak'), turned(20, 2), feel('intake.1', 'down')],
      ['470–490'],
    ],
  ] as const)('is told by %s', (_, history, expected) => {
    expect(plausible(six, ...history)).toEqual(expected);
  });

  it('is one of two turns after a long turn in a four-stroke only', () => {
    expect(plausible(twoStroke, at('T'), turned(300, 0))).toEqual(['296–304']);
  });

  it('is told by a mark and the rockers of a cylinder and its mate', () => {
    const belief = believed(six, [at('I'), ...both(1, 'loose'), ...both(6, 'firm')]);
    expect(belief).toMatchObject({ plausible: [{ from: 716, to: 4 }], odd: [], told: true });
    expect(belief).not.toHaveProperty('next');
    expect(belief).not.toHaveProperty('clash');
  });

  it('names the tight valve at the mark and is told all the same', () => {
    const history = [
      at('I'),
      feel('intake.1', 'loose'),
      feel('exhaust.1', 'firm'),
      ...both(6, 'firm'),
    ];
    const belief = believed(six, [
      ...history,
      ...both(5, 'loose'),
      feel('intake.2', 'loose'),
      feel('exhaust.2', 'firm'),
    ]);
    expect(belief).toMatchObject({ told: true, odd: ['exhaust.1'] });
    expect(settable(six, belief)).toContain('exhaust.1');
  });

  it('is not told while one cylinder alone tells the turn', () => {
    const belief = believed(six, [at('I'), ...both(1, 'loose')]);
    expect(belief.told).toBe(false);
    expect(belief.next).toBeDefined();
    expect(settable(six, belief)).toEqual([]);
  });

  it('asks for no cylinder where one more, that may be mistaken, would leave as many', () => {
    expect(believed(six, [])).not.toHaveProperty('next');
    expect(believed(six, [at('I')])).not.toHaveProperty('next');
  });

  it('asks for cylinder after cylinder, each once where the crank stands, and narrows', () => {
    const felt = (number: number) =>
      adjustersOf(six)
        .filter((each) => each.cylinder === number)
        .map(({ id }) => feel(id, marginOf(id, 40, six) >= 0 ? 'loose' : 'firm'));
    const history = [...felt(1), ...felt(6)];
    const asked: number[] = [];
    let left = 720;
    for (let belief = believed(six, history); belief.next; belief = believed(six, history)) {
      asked.push(belief.next);
      history.push(...felt(belief.next));
      const { plausible: arcs } = believed(six, history);
      const now = arcs.reduce((sum, { from, to }) => sum + ((to - from + 720) % 720) + 1, 0);
      expect(now).toBeLessThanOrEqual(left);
      left = now;
    }
    expect(new Set([1, 6, ...asked]).size).toBe(asked.length + 2);
    expect(asked.length).toBeGreaterThan(1);
    expect(left).toBeLessThan(180);
  });

  it('says what cannot all be true', () => {
    const clash = believed(six, [feel('intake.1', 'peak'), at('III'), cylinder(1, 'top')]);
    expect(clash).toMatchObject({ best: [], plausible: [], told: false, odd: [] });
    expect(clash.clash).toEqual([
      { id: 'intake.1', state: 'peak' },
      { mark: 'III', state: 'at' },
      { cylinder: 1, state: 'top' },
    ]);
    expect(settable(six, clash)).toEqual([]);
  });

  it.each([
    [[feel('intake.9', 'loose')], 'no adjuster'],
    [[at('IX')], 'no mark'],
    [[cylinder(9, 'top')], 'not in the firing order'],
    [[cylinder(9, 'rocking')], 'not in the firing order'],
  ])('is refused for what the engine has not', (history, says) => {
    expect(crankBelief(six, history)).toEqual({
      refused: 'not-on-engine',
      says: expect.stringContaining(says),
    });
  });

  it('is refused for a lobe that is not known, a sprung train, and a two-stroke that rocks', () => {
    const sprung = engine([1, 2], {
      adjusters: [{ kind: 'intake' }, { kind: 'injector', setAt: 'base' }],
    });
    const injector = { seen: { id: 'injector.1', state: 'loose' } } as CrankEntry;
    expect(crankBelief(sprung, [injector])).toHaveProperty('refused', 'sprung-train');
    const blank = { ...twoStroke, adjusters: [{ kind: 'intake' as const }] };
    expect(crankBelief(blank, [feel('intake.1', 'peak')])).toHaveProperty(
      'refused',
      'not-on-sheet',
    );
    expect(crankBelief(blank, [feel('intake.1', 'loose')])).toHaveProperty(
      'refused',
      'not-on-sheet',
    );
    expect(crankBelief(twoStroke, [cylinder(1, 'rocking')])).toHaveProperty(
      'refused',
      'two-stroke',
    );
  });
});

describe('the way to a stop', () => {
  const plan = planned(planBarring(six, { method: 'two-position' }));
  const belief = believed(six, [feel('intake.1', 'peak')]);

  it('is the smallest and the largest to the nearest with something left to do', () => {
    expect(wayTo(plan, belief, [])).toMatchObject({ at: 0, least: 252, most: 268, mark: 'I' });
    const done = plan.stops.find((stop) => stop.at === 0)?.set.map(({ id }) => id) ?? [];
    expect(wayTo(plan, belief, new Set(done))).toMatchObject({ at: 360, least: 612, most: 628 });
    const all = plan.stops.flatMap(({ set }) => set.map(({ id }) => id));
    expect(wayTo(plan, belief, all)).toBeUndefined();
  });

  it('is not told while the place is not', () => {
    expect(wayTo(plan, believed(six, [at('I')]), [])).toBeUndefined();
  });
});

/** How a rocker feels at an angle. */
function marginOf(id: string, crank: number, sheet: EngineSheet): number {
  const adjuster = adjustersOf(sheet).find((each) => each.id === id);
  if (!adjuster?.baseCircle) throw new Error(id);
  return marginAt(
    { ...adjuster, place: { arc: adjuster.baseCircle, need: 0 } },
    crank,
    720,
  ) as number;
}

describe('what one liar, or both of one cylinder, can do', () => {
  const engines = [six, engine([1, 3, 4, 2]), engine([1, 2, 3]), engine([1, 5, 4, 8, 6, 3, 7, 2])];

  it('never excludes the truth and never lights what does not hold', () => {
    fc.assert(
      fc.property(
        fc.nat(engines.length - 1),
        fc.nat(719),
        fc.nat(30),
        fc.constantFrom('one', 'cylinder') as fc.Arbitrary<'one' | 'cylinder'>,
        fc.array(
          fc.record({
            rocker: fc.nat(99),
            way: fc.integer({ min: 10, max: 400 }),
            turn: fc.boolean(),
            off: fc.integer({ min: -9, max: 9 }),
          }),
          { minLength: 1, maxLength: 24 },
        ),
        (which, start, liar, kind, acts) => {
          const sheet = engines[which] as EngineSheet;
          const rockers = adjustersOf(sheet);
          const lying = rockers[liar % rockers.length] as (typeof rockers)[number];
          let crank = start;
          const history: CrankEntry[] = [];
          for (const { rocker, way, turn, off } of acts) {
            if (turn) {
              history.push(turned(way));
              crank = (crank + way + off + 720) % 720;
              continue;
            }
            const { id, cylinder: own } = rockers[
              rocker % rockers.length
            ] as (typeof rockers)[number];
            const lies = id === lying.id || (kind === 'cylinder' && own === lying.cylinder);
            const loose = marginOf(id, crank, sheet) >= 0;
            history.push(feel(id, loose !== lies ? 'loose' : 'firm'));
          }
          const belief = believed(sheet, history);
          const holds = belief.plausible.some(
            ({ from, to }) => (crank - from + 720) % 720 <= (to - from + 720) % 720,
          );
          expect(holds).toBe(true);
          for (const id of settable(sheet, belief)) {
            const adjuster = rockers.find((each) => each.id === id) as (typeof rockers)[number];
            expect(holdsAt(adjuster, crank, 720)).toBe(true);
          }
        },
      ),
      { numRuns: 400 },
    );
  });
});

describe('the cylinder to wiggle next', () => {
  const engines = [engine([1, 3, 4, 2]), engine([1, 2, 3]), six];
  const counted = (sheet: EngineSheet, history: CrankEntry[]) =>
    believed(sheet, history).plausible.reduce(
      (sum, { from, to }) => sum + ((to - from + 720) % 720) + 1,
      0,
    );
  const degreesIn = ({ plausible }: CrankBelief) =>
    Array.from({ length: 720 }, (_, degree) => degree).filter((degree) =>
      plausible.some(({ from, to }) => (degree - from + 720) % 720 <= (to - from + 720) % 720),
    );
  const rockersOf = (sheet: EngineSheet, number: number) =>
    adjustersOf(sheet).filter((each) => each.cylinder === number);
  const feltAt = (sheet: EngineSheet, number: number, degree: number) =>
    rockersOf(sheet, number).map(({ id }) =>
      feel(id, marginOf(id, degree, sheet) >= 0 ? 'loose' : 'firm'),
    );

  /** What wiggling a cylinder leaves on average, by the belief itself. */
  function leavesOnAverage(sheet: EngineSheet, history: CrankEntry[], number: number): number {
    const left = new Map<string, number>();
    const degrees = degreesIn(believed(sheet, history));
    const sums = degrees.map((degree) => {
      const felt = feltAt(sheet, number, degree);
      const pattern = JSON.stringify(felt);
      const known = left.get(pattern) ?? counted(sheet, [...history, ...felt]);
      left.set(pattern, known);
      return known;
    });
    return sums.reduce((a, b) => a + b, 0) / degrees.length;
  }

  it('leaves the least on average, as the belief itself counts it', () => {
    fc.assert(
      fc.property(
        fc.nat(engines.length - 1),
        fc.nat(719),
        fc.array(fc.record({ rocker: fc.nat(99), turn: fc.boolean(), lies: fc.boolean() }), {
          minLength: 2,
          maxLength: 9,
        }),
        (which, start, acts) => {
          const sheet = engines[which] as EngineSheet;
          const rockers = adjustersOf(sheet);
          let crank = start;
          const history: CrankEntry[] = [];
          let felt = new Set<string>();
          for (const { rocker, turn, lies } of acts) {
            const { id } = rockers[rocker % rockers.length] as (typeof rockers)[number];
            if (turn) {
              history.push(turned(70, 4));
              crank = (crank + 70) % 720;
              felt = new Set();
            }
            const loose = marginOf(id, crank, sheet) >= 0;
            history.push(feel(id, loose !== (lies && rocker % 5 === 0) ? 'loose' : 'firm'));
            felt.add(id);
          }
          const belief = believed(sheet, history);
          if (belief.told || belief.clash) return;
          const now = counted(sheet, history);
          const averages = sheet.firing.order
            .filter((number) => !rockersOf(sheet, number).every(({ id }) => felt.has(id)))
            .map((number) => ({ number, left: leavesOnAverage(sheet, history, number) }));
          const least = Math.min(...averages.map(({ left }) => left));
          if (belief.next === undefined) return expect(least).toBeGreaterThan(now - 1e-6);
          const chosen = averages.find(({ number }) => number === belief.next);
          expect(chosen?.left).toBeCloseTo(least, 6);
        },
      ),
      { numRuns: 60 },
    );
  });
});
