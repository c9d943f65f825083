import { way } from './LinkBoard';

const turn = {
  id: '00000000-0000-4000-8000-000000000001',
  degrees: 119.7,
  sense: 'clockwise',
  seenFrom: 'front',
  from: 0,
} as const;

describe('a turn in words', () => {
  it('says how far, which way and to which mark', () => {
    expect(way({ ...turn, mark: 'II' })).toBe('120° clockwise to mark II');
    expect(way(turn)).toBe('120° clockwise');
    expect(way(null)).toBe('');
  });
});
