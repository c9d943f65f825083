import { inlineSix } from '../../test-support/engines';
import { times } from '../../test-support/times';
import { BARRING_METHODS, crankBelief, isRefused, parseSheet, planBarring, SeededRandom } from '..';

const SPOILED = times(2000, 20_000);

const ODD: unknown[] = [null, -1, 0, 0.5, 1e9, '', 'x', [], {}, true, 361, [1, 1, 2], 'IE'];

type Json = Record<string, unknown> | unknown[];

/** A copy with one value, somewhere in it, put out of its place. */
function spoil(document: unknown, chance: SeededRandom): unknown {
  const copy = JSON.parse(JSON.stringify(document));
  let at = copy as Json;
  for (;;) {
    const keys = Object.keys(at);
    if (keys.length === 0) return copy;
    const key = chance.one(keys) as never;
    const value = (at as Record<string, unknown>)[key];
    const deeper = typeof value === 'object' && value !== null && chance.next() < 0.75;
    if (deeper) {
      at = value as Json;
      continue;
    }
    if (chance.next() < 0.2) delete at[key];
    else at[key] = chance.one(ODD) as never;
    return copy;
  }
}

const whole = {
  ...inlineSix(),
  chart: [{ mark: 'I', turn: 1, set: ['intake.1', 'exhaust.1'] }],
  variants: [{ tag: 'B7', adjusters: [{ kind: 'intake', spec: { low: 1, target: 2, high: 3 } }] }],
};

describe(`${SPOILED} spoiled sheets`, () => {
  it('are refused by path and in words, or can be planned and located on', () => {
    let refused = 0;
    for (let seed = 1; seed <= SPOILED; seed++) {
      const chance = new SeededRandom(seed);
      const sheet = spoil(whole, chance);
      const parsed = parseSheet(sheet);
      if (isRefused(parsed)) {
        refused += 1;
        for (const { path, message } of parsed.issues) {
          expect(typeof path).toBe('string');
          expect(message.length).toBeGreaterThan(5);
        }
        continue;
      }
      // Nothing is filled in or lost on the way.
      expect(parsed.sheet).toEqual(sheet);
      for (const method of BARRING_METHODS) planBarring(parsed.sheet, { method });
      crankBelief(parsed.sheet, [{ seen: { id: 'intake.1', state: 'loose' } }]);
    }
    expect(refused).toBeGreaterThan(SPOILED / 4);
  }, 120_000);

  it('text that is no sheet at all is refused as well', () => {
    for (const none of [null, 7, 'sheet', [], {}, undefined, true]) {
      expect(isRefused(parseSheet(none))).toBe(true);
    }
  });
});
