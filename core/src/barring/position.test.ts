import fc from 'fast-check';
import { engine, inlineSix } from '../../test-support/engines';
import type { RockerFeel } from '..';
import { adjustersOf, firstPosition, judgePosition } from '..';
import { marginIn } from '../engine/arc';

const sheet = inlineSix();
const position = firstPosition(sheet);
if (!position) throw new Error('The six has running mates.');
const feel = (one: [RockerFeel, RockerFeel], mate: [RockerFeel, RockerFeel]) => ({
  'exhaust.1': one[0],
  'intake.1': one[1],
  'exhaust.6': mate[0],
  'intake.6': mate[1],
});
const judge = (felt: Partial<ReturnType<typeof feel>>) => judgePosition(sheet, felt, position);

describe('the first position', () => {
  it('is cylinder 1 and its mate at the mark of its firing TDC', () => {
    expect(position).toMatchObject({ cylinder: 1, mate: 6, mark: 'I' });
    expect(position.rockers.map(({ id }) => id)).toEqual([
      'exhaust.1',
      'intake.1',
      'exhaust.6',
      'intake.6',
    ]);
    expect(firstPosition(engine([1, 3, 2]))).toBeUndefined();
    expect(firstPosition(sheet, 9)).toBeUndefined();
  });

  it('waits for all four rockers', () => {
    expect(judge({})).toEqual({ waiting: ['exhaust.1', 'intake.1', 'exhaust.6', 'intake.6'] });
    expect(judge({ 'intake.1': 'loose' })).toHaveProperty('waiting.length', 3);
  });

  it.each([
    [['loose', 'loose'], ['firm', 'firm'], 0, 1],
    [['loose', 'loose'], ['moving', 'firm'], 0, 1],
    [['loose', 'loose'], ['moving', 'moving'], 0, 1],
    [['firm', 'moving'], ['loose', 'loose'], 360, 6],
  ] as const)('is found by %j and %j', (one, mate, found, firing) => {
    expect(judge(feel([...one], [...mate]))).toEqual({ found, firing });
  });

  it('is a question for every mix, with something to check', () => {
    const state = fc.constantFrom<RockerFeel>('loose', 'firm', 'moving');
    fc.assert(
      fc.property(fc.tuple(state, state), fc.tuple(state, state), (one, mate) => {
        const loose = (pair: RockerFeel[]) => pair.filter((each) => each === 'loose').length;
        const clear = [loose(one), loose(mate)].sort().join() === '0,2';
        const judgement = judge(feel(one, mate));
        if (clear) expect(judgement).toHaveProperty('found');
        else expect(judgement).toHaveProperty('check.length', 3);
      }),
    );
  });

  it('is never 360° out on rockers felt truly at either turn of the mark', () => {
    for (const at of [0, 360]) {
      const felt = Object.fromEntries(
        adjustersOf(sheet).map(({ id, baseCircle }) => [
          id,
          baseCircle && marginIn(baseCircle, at, 720) >= 0 ? ('loose' as const) : ('firm' as const),
        ]),
      );
      expect(judgePosition(sheet, felt, position)).toHaveProperty('found', at);
    }
  });
});
