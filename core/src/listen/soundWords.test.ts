import { compareHeard } from './compareHeard';
import type { HeardWell } from './heard';
import { LISTENED_BANDS, PROFILE_POINTS } from './bands';
import { heardWords, noiseWords } from './soundWords';

const flat = LISTENED_BANDS.map(() => Array.from({ length: PROFILE_POINTS }, () => -10));
/** A thump after every firing, in all bands. */
const thump = flat.map((band) => band.map((level, point) => (point < 3 ? 12 : level)));
/** The same with a tick half-way to the next, in the bands above the first. */
const ticking = thump.map((band, i) =>
  band.map((level, point) => (i > 0 && point === 12 ? 14 : level)),
);
const heard = (more: Partial<HeardWell> = {}): HeardWell => ({
  told: true,
  turns: 2,
  speed: 640,
  ticks: 'none',
  over: 0,
  share: 0,
  usual: thump,
  ...more,
});

describe('two clips held against each other', () => {
  it('tell what each tells, at like speed', () => {
    const loose = heard({ ticks: 'one', over: 14.2, share: 0.23 });
    const quiet = heard({ speed: 652 });
    expect(compareHeard(loose, quiet)).toEqual({ compared: true, before: 'one', after: 'none' });
    expect(noiseWords({ before: loose, after: quiet })).toBe(
      'Before, one thing ticked once in two turns, 14 dB louder than the other cylinders; after, no cylinder ticked louder than the others: at like speed, 640 and 652 rpm.',
    );
    expect(noiseWords({ before: quiet, after: quiet })).toBe(
      'Before and after, at 652 and 652 rpm, no cylinder ticked louder than the others.',
    );
  });

  it('tell what ticks at every cylinder alike, which neither tells alone', () => {
    const all = heard({ usual: ticking });
    expect(compareHeard(all, heard())).toMatchObject({ before: 'several', after: 'none' });
    expect(compareHeard(heard(), all)).toMatchObject({ before: 'none', after: 'several' });
  });

  it('take a phone held nearer for no tick, nor a louder shop', () => {
    const nearer = heard({ usual: thump.map((band) => band.map((level) => level + 9)) });
    expect(compareHeard(nearer, heard())).toMatchObject({ before: 'none', after: 'none' });
    const louder = heard({ usual: thump.map((band) => band.map((level) => Math.max(level, -2))) });
    expect(compareHeard(louder, heard())).toMatchObject({ before: 'none', after: 'none' });
  });

  it('are not compared at unlike speeds, nor where one tells nothing', () => {
    const before = heard({ ticks: 'one', over: 9 });
    const faster = heard({ speed: 760 });
    expect(compareHeard(before, faster)).toEqual({ compared: false, why: 'speeds' });
    expect(noiseWords({ before, after: faster })).toContain('too far apart to compare');
    const short = { told: false, why: 'short' } as const;
    expect(compareHeard(short, faster)).toEqual({ compared: false, why: 'before' });
    expect(compareHeard(before, short)).toEqual({ compared: false, why: 'after' });
    expect(noiseWords({ before, after: short })).toContain('After: The clip is too short');
  });
});

describe('what a clip told', () => {
  it.each([
    [heard(), 'At 640 rpm no cylinder ticks louder than the others.'],
    [
      heard({ ticks: 'one', over: 14.2, share: 0.23 }),
      'At 640 rpm one thing ticks once in two turns, 14 dB louder than the other cylinders there; it makes 23 % of the sharp noise.',
    ],
    [
      heard({ ticks: 'one', over: 9, turns: 1 }),
      'At 640 rpm one thing ticks once a turn, 9 dB louder than the other cylinders there.',
    ],
    [
      heard({ ticks: 'several', over: 12, share: 0.3 }),
      'At 640 rpm several things tick, the loudest 12 dB louder than the other cylinders there; it makes 30 % of the sharp noise.',
    ],
    [
      heard({ ticks: 'unsure' }),
      'At 640 rpm something may tick: it stands out too little to say how many.',
    ],
  ])('%#', (clip, words) => expect(heardWords(clip)).toBe(words));
});
