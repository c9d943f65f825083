import fc from 'fast-check';
import { inlineSix } from '../../test-support/engines';
import { holdsAt } from '../barring/assembly';
import { quickSheet } from '../bench/quickSheet';
import { adjustersOf } from '../engine/adjusters';
import { NEW_SHOP } from '../wire/shop';
import { LEVELS } from './exercise';
import {
  beliefAfter,
  bestReading,
  bestWiggles,
  enoughWiggles,
  markReading,
  markSettable,
  markWhere,
  meanWiggles,
  readTask,
  seedOfDay,
  settableTask,
  tryBlade,
  whereTask,
  wiggle,
} from './exercises';

const six = inlineSix();
const [mm, inch] = NEW_SHOP.bladeSets;
const spec = { low: 280, target: 330, high: 380 };
const level = fc.constantFrom(...LEVELS);
const seed = fc.integer();

describe('what may be set', () => {
  it('is a hundred for who taps what the model allows, and says why of each mistake', () => {
    fc.assert(
      fc.property(seed, level, (n, hard) => {
        const at = settableTask(six, n, hard);
        const may = adjustersOf(six)
          .filter((each) => holdsAt(each, at, 720))
          .map(({ id }) => id);
        expect(markSettable(six, at, may)).toEqual({ score: 100, mistakes: [], right: may });
        const all = adjustersOf(six).map(({ id }) => id);
        const careless = markSettable(six, at, all);
        expect(careless.mistakes.map(({ id }) => id)).toEqual(
          all.filter((id) => !may.includes(id)),
        );
        expect(careless.score).toBeLessThan(60);
      }),
    );
  });

  it('asks at tops on the first level only', () => {
    for (let n = 0; n < 40; n++) expect(settableTask(six, n, 1) % 120).toBe(0);
    expect(
      new Set(Array.from({ length: 40 }, (_, n) => settableTask(six, n, 3) % 30)).size,
    ).toBeGreaterThan(5);
  });
});

describe('read it', () => {
  it('is a hundred for who tries what decides it, and nothing for a wrong answer', () => {
    fc.assert(
      fc.property(seed, level, fc.constantFrom(mm!, inch!), (n, hard, set) => {
        const gap = readTask(set, spec, n, hard);
        const { answer, tries } = bestReading(set, spec, gap);
        expect(markReading(set, spec, { gap, tries, answer })).toEqual({
          score: 100,
          mistakes: [],
        });
        expect(markReading(set, spec, { gap, tries: tries + 3, answer }).score).toBe(70);
        const wrong = answer === 'tight' ? 'loose' : 'tight';
        expect(markReading(set, spec, { gap, tries, answer: wrong }).score).toBe(0);
        if (answer === 'tight') expect(gap).toBeLessThan(spec.low + 7);
        if (answer === 'loose') expect(gap).toBeGreaterThan(spec.high - 7);
      }),
    );
  });

  it('can be left open by the set on the third level', () => {
    const coarse = { name: 'coarse', unit: 'mm' as const, blades: [200, 300, 400, 500] };
    const answers = Array.from(
      { length: 40 },
      (_, n) => bestReading(coarse, spec, readTask(coarse, spec, n, 3)).answer,
    );
    expect(answers).toContain('open');
    expect(tryBlade(300, 300).enters).toBe(true);
  });
});

describe('where is it', () => {
  it('is found by the most telling cylinders, one rocker tight and one slack or none', () => {
    for (const hard of LEVELS) {
      const enough = meanWiggles(six, hard);
      expect(enough).toBeGreaterThan(1);
      expect(enough).toBeLessThan(7);
      for (let n = 0; n < 8; n++) {
        const task = whereTask(six, n, hard);
        const wiggles = bestWiggles(six, task);
        expect(wiggles).toBeLessThanOrEqual(6);
        // No luck of the seed takes anything from who wiggles the most telling ones.
        const at = { said: task.crank, crank: task.crank };
        const fair = enoughWiggles(six, n, hard);
        expect(markWhere(six, { ...at, wiggles, enough: fair }).score).toBe(100);
        expect(markWhere(six, { ...at, wiggles: 12, enough: fair }).score).toBeLessThan(100);
        expect(
          markWhere(six, { said: task.crank, crank: task.crank, wiggles: 1, enough }).score,
        ).toBe(100);
        const turned = (task.crank + 360) % 720;
        const other = markWhere(six, { said: turned, crank: task.crank, wiggles: 1, enough });
        expect(other).toEqual({
          score: 0,
          mistakes: [{ says: expect.stringContaining('other turn') }],
        });
      }
    }
  });

  it('tells by both rockers of a cylinder, and is the same for all on a day', () => {
    const sheet = quickSheet([1, 3, 4, 2], 'in-line');
    const task = whereTask(sheet, seedOfDay('2026-11-27'), 1);
    expect(whereTask(sheet, seedOfDay('2026-11-27'), 1).crank).toBe(task.crank);
    expect(seedOfDay('2026-11-28')).not.toBe(seedOfDay('2026-11-27'));
    const seen = wiggle(sheet, task.engine, 1);
    expect(seen).toHaveLength(2);
    expect(beliefAfter(sheet, seen).told).toBe(false);
  });
});
