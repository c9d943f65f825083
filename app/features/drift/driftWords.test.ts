import { leavesWords, rateWords, recheckWords } from './driftWords';

describe('drift in words', () => {
  it('says a rate in both units and which way it goes', () => {
    expect(rateWords(-25.4)).toBe('Closes by 25 µm (1 thou) in 1,000 h');
    expect(rateWords(31)).toBe('Opens by 31 µm (1.2 thou) in 1,000 h');
    expect(rateWords(0.2)).toBe('Steady');
    expect(rateWords(null)).toContain('not known yet');
  });

  it('says when it leaves, and honestly when that is not in sight or not known', () => {
    expect(leavesWords({ p10: 812, p50: 1204, p90: 1711 })).toBe(
      'Leaves its limits between 810 h and 1,710 h after the last check, most likely 1,200 h.',
    );
    expect(leavesWords({ p10: 812, p50: Infinity, p90: Infinity })).toContain('and not in sight');
    expect(leavesWords({ p10: Infinity, p50: Infinity, p90: Infinity })).toBe(
      'Leaving its limits is not in sight.',
    );
    expect(leavesWords(null)).toContain('Too few checks');
  });

  it('names the adjuster that asks for an earlier look', () => {
    expect(recheckWords({ hours: 600, id: null }, 10)).toContain('the maker’s interval');
    expect(recheckWords({ hours: 410, id: 'exhaust.4' }, 10)).toContain('No. 4 exhaust');
  });
});
