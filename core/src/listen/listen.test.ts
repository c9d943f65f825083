import { engine, inlineSix } from '../../test-support/engines';
import { times } from '../../test-support/times';
import { soundPair } from '../../test-support/soundPairs';
import { SeededRandom } from '../seededRandom';
import { heardEngine } from './heardEngine';
import { listen } from './listen';
import type { MadeUp } from './madeUpSound';
import { madeUpSound } from './madeUpSound';
import { SOUND_RATE } from './sound';
import { soundPicture } from './soundPicture';

const six = inlineSix();
const heardAs = (made: Partial<MadeUp> = {}, sheet = six) =>
  listen(madeUpSound(sheet, { speed: 640, engine: 1, clip: 1, ...made }), heardEngine(sheet));

describe('what is known of an engine before it is listened to', () => {
  it('is how often it fires alike in a cycle, and how long its valves are open', () => {
    expect(heardEngine(six)).toMatchObject({ turns: 2, steps: 6 });
    expect(heardEngine(six).open[0]).toBeCloseTo(230 / 720, 6);
    const vee = engine([1, 4, 2, 5, 3, 6], {
      firing: { order: [1, 4, 2, 5, 3, 6], gaps: [90, 150, 90, 150, 90, 150] },
    });
    expect(heardEngine(vee).steps).toBe(3);
    const odd = engine([1, 2, 3], { firing: { order: [1, 2, 3], gaps: [180, 240, 300] } });
    expect(heardEngine(odd).steps).toBe(1);
    expect(heardEngine(engine([1, 2, 3], { cycle: 2 })).turns).toBe(1);
  });
});

describe('listening', () => {
  it.each([480, 560, 640, 720, 850])('tells an idle of %d from the sound', (speed) => {
    const { heard } = heardAs({ speed, clip: speed });
    expect(heard.told && Math.abs(heard.speed / speed - 1)).toBeLessThan(0.03);
  });

  it('tells one loose valve from none and from several', () => {
    const quiet = heardAs();
    expect(quiet.heard).toMatchObject({ told: true, ticks: 'none', over: 0, share: 0 });
    expect(quiet.marks).toEqual([]);
    const one = heardAs({ gaps: { 'exhaust.3': 1100 } });
    expect(one.heard).toMatchObject({ told: true, ticks: 'one' });
    expect(one.heard.told && one.heard.over).toBeGreaterThan(8);
    expect(one.heard.told && one.heard.share).toBeGreaterThan(0.02);
    const gaps = { 'exhaust.3': 1100, 'intake.5': 900, 'exhaust.1': 1000 };
    expect(heardAs({ gaps }).heard).toMatchObject({ told: true, ticks: 'several' });
  });

  it('says how loud, where most cylinders tick and only a quiet one tells it', () => {
    const gaps = { 'intake.1': 900, 'intake.2': 900, 'intake.4': 900, 'intake.6': 900 };
    const { heard, marks } = heardAs({ gaps });
    expect(heard).toMatchObject({ told: true, ticks: 'several' });
    expect(heard.told && heard.over).toBeGreaterThan(6);
    expect(marks.length).toBeGreaterThan(100);
  });

  it('marks one thing once in every cycle', () => {
    const { marks } = heardAs({ gaps: { 'exhaust.3': 1100 } });
    const cycles = (10 * 640) / 120;
    expect(marks.length).toBeGreaterThan(cycles - 4);
    expect(marks.length).toBeLessThan(cycles + 4);
  });

  it('hears the same far off, dull and in a noisy shop', () => {
    const made = { noise: -12, away: { quieter: 10, duller: 2 } };
    expect(heardAs(made).heard).toMatchObject({ ticks: 'none' });
    expect(heardAs({ ...made, gaps: { 'intake.2': 900 } }).heard).toMatchObject({ ticks: 'one' });
  });

  it('says why it tells nothing', () => {
    const whyOf = (sound: Float32Array, sheet = six) => {
      const { heard } = listen(sound, heardEngine(sheet));
      return heard.told ? heard.ticks : heard.why;
    };
    const whole = madeUpSound(six, { speed: 640, engine: 1, clip: 1 });
    expect(whyOf(whole.subarray(0, 4 * SOUND_RATE))).toBe('short');
    expect(whyOf(whole.map((sample) => Math.max(-1, Math.min(1, sample * 12))))).toBe('clipped');
    expect(whyOf(new Float32Array(10 * SOUND_RATE))).toBe('beat');
    const chance = new SeededRandom(3);
    expect(whyOf(whole.map(() => chance.next() * 0.2 - 0.1))).toBe('beat');
    const single = engine([1]);
    expect(whyOf(madeUpSound(single, { speed: 700, engine: 1, clip: 1 }), single)).toBe('few');
    // The speed is raised half-way through.
    const revved = new Float32Array(whole);
    revved.set(madeUpSound(six, { speed: 860, engine: 1, clip: 2, seconds: 5 }), 5 * SOUND_RATE);
    expect(['beat', 'unsteady']).toContain(whyOf(revved));
  });

  it('of made-up pairs nine in ten are told right, and hardly one wrong', () => {
    const many = times(25, 300);
    // Few pairs may be unlucky ones.
    const right = many < 300 ? 0.84 : 0.9;
    const pairs = Array.from({ length: many }, (_, i) => soundPair(i + 1).told);
    const told = (how: string) => pairs.filter((each) => each === how).length / many;
    expect(told('right')).toBeGreaterThanOrEqual(right);
    expect(told('wrong')).toBeLessThanOrEqual(0.03);
  });
});

describe('the picture of a sound', () => {
  it('shows a second: what is louder lies inside what is quieter', () => {
    const picture = soundPicture(heardAs({ gaps: { 'exhaust.3': 1100 } }));
    expect(picture).toMatchObject({ columns: 125, rows: 32, seconds: 1, hertz: 12_000 });
    const covered = picture.levels.map((path) =>
      [...path.matchAll(/h(\d+)v/g)].reduce((sum, [, length]) => sum + Number(length), 0),
    );
    expect(covered).toEqual([...covered].sort((a, b) => b - a));
    expect(covered.at(-1)).toBeGreaterThan(0);
    for (const column of picture.marks) expect(column).toBeLessThan(125);
    expect(picture.marks.length).toBeGreaterThan(3);
  });

  it('is empty of an empty clip', () => {
    const picture = soundPicture(listen(new Float32Array(0), heardEngine(six)));
    expect(picture).toMatchObject({ columns: 0, marks: [] });
  });
});
