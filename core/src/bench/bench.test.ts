import fc from 'fast-check';
import { rimArc } from '../barring/bar';
import { isRefused } from '../result';
import { BARRING_METHODS } from '../barring/methods';
import { planBarring } from '../barring/plan';
import { commonOrders } from '../engine/cylinderForms';
import { firingOf } from '../engine/firing';
import { parseSheet } from '../engine/parseSheet';
import { bladeFor, layOutBlades } from '../gauging/blades';
import { turnsForGap } from '../gauging/screw';
import { adapterSetting } from '../torque/adapter';
import { convertTorque, TORQUE_UNITS } from '../torque/units';
import {
  adapterFormula,
  barSums,
  screwTurn,
  stackFormula,
  takenFor,
  torqueFormula,
} from './formulas';
import { hoursToDate } from './hoursToDate';
import { quickSheet } from './quickSheet';
import { readGaps, readOrder } from './readOrder';
import { setDecides } from './setDecides';
import { marksOn, OVERLAP, rimOf, stripTiles, topsOf, turnMarks } from './timingStrip';

const order = fc.integer({ min: 1, max: 24 }).chain((count) =>
  fc.shuffledSubarray(
    Array.from({ length: count }, (_, i) => i + 1),
    { minLength: count },
  ),
);

describe('a firing order as typed', () => {
  it('comes back from any way of writing it', () => {
    fc.assert(
      fc.property(order, fc.constantFrom('-', ' ', ', ', ' – ', '/'), (cylinders, between) => {
        expect(readOrder(cylinders.join(between))).toEqual({ order: cylinders });
      }),
    );
    expect(readOrder('153624')).toEqual({ order: [1, 5, 3, 6, 2, 4] });
  });

  it('says what is wrong with it', () => {
    expect(readOrder('')).toEqual({
      refused: 'empty',
      says: expect.stringContaining('as they fire'),
    });
    expect(readOrder('1-3-3-4')).toMatchObject({ says: 'Cylinder 3 fires twice in it.' });
    expect(readOrder('1 2 4')).toMatchObject({ says: 'Cylinder 4 is in it, and 3 is not.' });
    expect(readOrder('0 1')).toMatchObject({ says: 'Cylinder 0 is in it, and 2 is not.' });
  });

  it('takes the angles of an uneven one that make two turns', () => {
    expect(readGaps('90 150 90 150 90 150', 6)).toEqual({ gaps: [90, 150, 90, 150, 90, 150] });
    expect(readGaps(' ', 6)).toBeUndefined();
    expect(readGaps('90 150', 6)).toHaveProperty('refused', 'unreadable');
    expect(readGaps('90 90', 2)).toMatchObject({
      says: 'They add up to 180°: two turns are 720°.',
    });
  });
});

describe('the quick chart', () => {
  it('is a sheet like any other, and every valve of it has a place by every method not refused', () => {
    const orders = [1, 2, 3, 4, 5, 6, 7, 8].flatMap((count) => commonOrders(count, 'in-line'));
    for (const cylinders of orders) {
      const sheet = quickSheet(cylinders, 'in-line');
      expect(isRefused(parseSheet(sheet))).toBe(false);
      for (const method of BARRING_METHODS) {
        const plan = planBarring(sheet, { method });
        if (isRefused(plan)) continue;
        const placed = plan.stops.flatMap(({ set }) => set).length + plan.leftOver.length;
        expect([method, cylinders, placed]).toEqual([method, cylinders, 2 * cylinders.length]);
      }
    }
  });
});

describe('what a set decides', () => {
  const sizes = fc.uniqueArray(fc.integer({ min: 30, max: 900 }), { minLength: 1, maxLength: 14 });
  const spec = fc
    .tuple(fc.integer({ min: 100, max: 600 }), fc.integer({ min: 20, max: 120 }))
    .map(([low, wide]) => ({ low, target: low + Math.round(wide / 2), high: low + wide }));

  it('is what a job lays out, or lies between two neighbours of the set', () => {
    fc.assert(
      fc.property(sizes, spec, (blades, wanted) => {
        const set = { name: 'any', unit: 'mm' as const, blades };
        for (const met of setDecides(set, wanted)) {
          expect(met.by).toEqual(bladeFor(layOutBlades(set, wanted), met.size));
          if (met.by) continue;
          const { below, above } = met.between!;
          expect(below < met.size && (above ?? Infinity) > met.size).toBe(true);
          expect(blades.some((blade) => blade > below && blade < (above ?? Infinity))).toBe(false);
        }
      }),
    );
  });
});

describe('a sum written out', () => {
  const above = fc.double({ min: 1, max: 900, noNaN: true });

  it('ends with what a job reckons', () => {
    expect(adapterFormula({ torque: 46, wrench: 400, adapter: 60, angle: 0 }, 'N·m')).toContain(
      '= 40 N·m',
    );
    expect(stackFormula({ blades: [250, 80], sum: 330 }, 'mm')).toBe('0.25 + 0.08 = 0.33 mm');
    expect(stackFormula({ blades: [254, 76], sum: 330 }, 'thou')).toBe('10 + 3 = 13 thou');
    fc.assert(
      fc.property(
        above,
        above,
        above,
        fc.integer({ min: 0, max: 180 }),
        (torque, wrench, adapter, angle) => {
          const answer = adapterSetting({ torque, wrench, adapter, angle });
          const formula = adapterFormula({ torque, wrench, adapter, angle }, 'N·m');
          if ('refused' in answer) return expect(formula).toBeUndefined();
          const last = Number(/= ([\d.]+) N·m$/.exec(formula ?? '')?.[1]);
          expect(last).toBeCloseTo(answer.setting, 0);
        },
      ),
    );
    fc.assert(
      fc.property(
        above,
        fc.constantFrom(...TORQUE_UNITS),
        fc.constantFrom(...TORQUE_UNITS),
        (value, from, to) => {
          const last = Number(torqueFormula(value, from, to).split('= ')[1]?.split(' ')[0]);
          expect(last).toBeCloseTo(convertTorque(value, from, to), 0);
        },
      ),
    );
  });

  it('turns a screw as far as a job says, and back again the same', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -900, max: 900 }),
        fc.constantFrom<'pushrod' | 'valve'>('pushrod', 'valve'),
        (change, side) => {
          const screw = { pitch: 1000, ratio: 1.4, side };
          const sum = screwTurn(screw, change);
          expect(sum.turns).toBe(turnsForGap(screw, change));
          expect(sum.degrees).toBeCloseTo(sum.minutes * 6, 6);
          expect(screwTurn(screw, -change).turns).toBeCloseTo(-sum.turns, 9);
        },
      ),
    );
  });

  it('measures a turn along the rim and at the tool where their figures are known', () => {
    expect(barSums(180, {})).toEqual([]);
    expect(barSums(180, { ratio: 11, teeth: 60 }).map(({ what, value }) => [what, value])).toEqual([
      ['turns', 5.5],
      ['clicks', 330],
    ]);
    expect(barSums(360, { rim: 200_000 })[0]?.value).toBe(rimArc(360, 200_000));
  });

  it('names what a length is taken for', () => {
    expect(takenFor(330).map(({ size }) => size)).toEqual([838, 130, 3300, 33]);
  });
});

describe('hours to a date', () => {
  it('come sooner the more it runs, and are not invented', () => {
    const at = (hoursAYear?: number) =>
      hoursToDate({ now: 6000, then: 6500, hoursAYear }, '2026-03-01');
    expect(at(2000)!.date!.from < at(500)!.date!.from).toBe(true);
    expect(at()?.date).toBeNull();
    expect(hoursToDate({ now: 6000, then: 6000 }, '2026-03-01')).toBeUndefined();
  });
});

describe('a timing strip', () => {
  it('carries every cylinder once, in the turn that it fires in', () => {
    fc.assert(
      fc.property(order, (cylinders) => {
        const firing = firingOf({ cycle: 4, firing: { order: cylinders } });
        const tops = topsOf(firing);
        const fired = tops.flatMap(({ at, fires }) =>
          fires.flatMap((cylinder, turn) =>
            cylinder === undefined ? [] : [[cylinder, Math.round(1e6 * (at + 360 * turn))]],
          ),
        );
        const known = [...firing.at].map(([cylinder, at]) => [cylinder, Math.round(1e6 * at)]);
        expect(fired.sort()).toEqual(known.sort());
      }),
    );
    const four = turnMarks(firingOf({ cycle: 4, firing: { order: [1, 3, 4, 2] } }));
    expect(four.filter(({ kind }) => kind === 'top').map(({ at, label }) => [at, label])).toEqual([
      [0, '1 | 4'],
      [180, '3 | 2'],
    ]);
    expect(turnMarks()).toHaveLength(360);
  });

  it('lies on its sheets without a gap, each overlapping the next, the last the first', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 30_000, max: 4_000_000 }),
        fc.integer({ min: 100_000, max: 290_000 }),
        (round, paper) => {
          const tiles = stripTiles(round, paper);
          tiles.slice(1).forEach((tile, i) => expect(tiles[i]!.to - tile.from).toBe(OVERLAP));
          expect(tiles[0]?.from).toBe(0);
          expect(tiles.at(-1)?.to).toBe(round + OVERLAP);
          expect(tiles.every(({ from, to }) => to - from <= paper && to > from)).toBe(true);
        },
      ),
    );
  });

  it('has each mark as far along as the rim is round to there, and begins again after a turn', () => {
    const rim = rimOf(628_319);
    expect(rim).toBe(200_000);
    const marks = turnMarks();
    const once = rimArc(360, rim);
    for (const tile of stripTiles(once, 267_000)) {
      for (const { at, along } of marksOn(marks, rim, tile)) {
        expect([rimArc(at, rim), rimArc(at, rim) + once]).toContain(along);
      }
    }
    const all = stripTiles(once, 267_000).flatMap((tile) => marksOn(marks, rim, tile));
    expect(new Set(all.map(({ at }) => at)).size).toBe(360);
  });
});
