import fc from 'fast-check';
import { uuid } from '../../../test-support/journal';
import type { Beat, LinkSide } from '../..';
import { ANSWER_WITHIN_MS, heardBeat, keptSide, turnAsked, turningWord } from '../..';

const turn = {
  id: uuid(1),
  degrees: 120,
  sense: 'clockwise',
  seenFrom: 'front',
  from: 0,
} as const;
const beat = (role: Beat['role'], rest: Partial<Beat> = {}): Beat => ({
  device: uuid(role === 'rockers' ? 10 : 11),
  role,
  beat: 5,
  heard: 4,
  turn: role === 'rockers' ? turn : null,
  clearFor: null,
  said: null,
  ...rest,
});
const NOW = 100_000;
const helper = (rockers: Partial<Beat>, own: Partial<Beat> = {}, age = 500): LinkSide => ({
  own: beat('helper', own),
  other: beat('rockers', rockers),
  sent: new Map([[4, NOW - age]]),
});

describe('the link to the one who turns', () => {
  it('says turn only once fingers are clear for this very turn', () => {
    expect(turningWord(helper({}), NOW)).toBe('hold');
    expect(turningWord(helper({ clearFor: uuid(2) }), NOW)).toBe('hold');
    expect(turningWord(helper({ clearFor: turn.id }), NOW)).toBe('turn');
    expect(turningWord(helper({ turn: null, clearFor: turn.id }), NOW)).toBe('hold');
  });

  it('is lost on either side without an answer for two seconds', () => {
    expect(turningWord(helper({ clearFor: turn.id }, {}, ANSWER_WITHIN_MS), NOW)).toBe('turn');
    expect(turningWord(helper({ clearFor: turn.id }, {}, ANSWER_WITHIN_MS + 1), NOW)).toBe('lost');
    expect(turningWord({ ...helper({ clearFor: turn.id }), sent: new Map() }, NOW)).toBe('lost');
    expect(turningWord({ ...helper({}), other: undefined }, NOW)).toBe('waiting');
  });

  it('is not lost where a side left, or is silent while no turn is in hand', () => {
    const age = ANSWER_WITHIN_MS + 1;
    expect(turningWord(helper({ turn: null }, {}, age), NOW)).toBe('waiting');
    expect(turningWord(helper({ clearFor: turn.id, leaves: true }, {}, age), NOW)).toBe('waiting');
    expect(turningWord(helper({}, {}, age), NOW)).toBe('lost');
  });

  it('tells the turn that is asked, the first one to whichever mark as well', () => {
    const bar = {
      step: 'stop' as const,
      missing: [],
      do: 'bar' as const,
      sight: { mark: 'I', state: 'at' as const },
      turned: { degrees: 359.6 },
      feel: { loose: [], firm: [] },
      rotation: { sense: 'clockwise' as const, seenFrom: 'front' },
      why: 'stop' as const,
    };
    const { id, ...asked } = { ...turn, degrees: 360, mark: 'I' };
    expect(id).toBe(uuid(1));
    expect(turnAsked(bar, 0)).toEqual(asked);
    const first = { ...bar, sight: 'any-mark' as const, turned: { degrees: null } };
    expect(turnAsked(first, undefined)).toMatchObject({ degrees: null, from: null });
    expect(turnAsked({ step: 'round', missing: [], do: 'round' }, 0)).toBeNull();
  });

  it('stops both at the word of either, and stop stands above there', () => {
    const said = (word: 'stop' | 'there') => ({ said: { turn: turn.id, word } });
    expect(turningWord(helper({ clearFor: turn.id }, said('stop')), NOW)).toBe('stop');
    expect(turningWord(helper({ clearFor: turn.id, ...said('stop') }), NOW)).toBe('stop');
    expect(turningWord(helper({ clearFor: turn.id }, said('there')), NOW)).toBe('there');
    expect(turningWord(helper({ clearFor: turn.id, ...said('stop') }, said('there')), NOW)).toBe(
      'stop',
    );
  });

  it('takes the clear with it when it is lost, and not before', () => {
    const rockers = (age: number): LinkSide => ({
      own: beat('rockers', { clearFor: turn.id }),
      other: beat('helper'),
      sent: new Map([[4, NOW - age]]),
    });
    expect(keptSide(rockers(500), NOW).own.clearFor).toBe(turn.id);
    const lost = keptSide(rockers(ANSWER_WITHIN_MS + 1), NOW);
    expect(lost.own.clearFor).toBeNull();
    const left = { ...rockers(500), other: beat('helper', { leaves: true }) };
    expect(keptSide(left, NOW).own.clearFor).toBeNull();
    // The link is back: the turn is not.
    expect(turningWord({ ...lost, sent: new Map([[4, NOW]]) }, NOW)).toBe('hold');
  });

  it('hears the other side only, in order, and another phone once the one before is gone', () => {
    const side = helper({ beat: 7 });
    expect(heardBeat(side, beat('helper', { beat: 9 }), NOW)).toBe(side);
    expect(heardBeat(side, beat('rockers', { beat: 7 }), NOW)).toBe(side);
    expect(heardBeat(side, beat('rockers', { beat: 8 }), NOW).other?.beat).toBe(8);
    const another = beat('rockers', { device: uuid(12), beat: 1 });
    expect(heardBeat(side, another, NOW)).toBe(side);
    expect(heardBeat(side, another, NOW + ANSWER_WITHIN_MS).other).toBe(another);
  });

  it('never says turn without clear, an answer in time and silence on both sides', () => {
    const word = fc.constantFrom(null, 'stop' as const, 'there' as const);
    const property = fc.property(
      fc.boolean(),
      word,
      word,
      fc.integer({ min: 0, max: 6000 }),
      (clear, one, other, age) => {
        const said = (w: typeof one) => ({ said: w && { turn: turn.id, word: w } });
        const side = helper({ clearFor: clear ? turn.id : null, ...said(one) }, said(other), age);
        const may = clear && one === null && other === null && age <= ANSWER_WITHIN_MS;
        expect(turningWord(side, NOW) === 'turn').toBe(may);
      },
    );
    fc.assert(property);
  });
});
