import { present } from '../present';
import { inTenths, quantile } from '../statistics';
import { LISTENED_BANDS, PROFILE_POINTS } from './bands';
import type { OneCycle } from './cycleParts';
import { oneCycle, onTo, partsApart } from './cycleParts';
import { cyclesPassed } from './cyclesPassed';
import { engineSpeed } from './engineSpeed';
import type { Heard } from './heard';
import type { HeardEngine } from './heardEngine';
import type { Sound } from './sound';
import { LEAST_SECONDS, SOUND_RATE } from './sound';
import type { Spectrogram } from './spectrogram';
import { bandOf, spectrogramOf } from './spectrogram';
import type { Tick } from './ticks';
import { tickingOf } from './ticks';

/** A beat is told when it stands out by this much, dB, and by this much more than any other. */
const CLEAR = { beat: 4.5, ahead: 3 };
/** A microphone that was too near: more than this part of the samples at its end. */
const CLIPPED = 0.01;
/** An idle goes as fast at the end of a clip as at its beginning, within this part of its speed. */
const STEADY = 0.06;
/** Fewer steps than this cannot be held against each other. */
const LEAST_STEPS = 3;

/** What a clip told, with what its picture is made of: `marks` are the looks at which something ticked. */
export type Listened = { heard: Heard; spectrogram: Spectrogram; marks: number[] };

/**
 * What a clip of an engine at idle tells: its speed, and whether one thing ticks once in a cycle,
 * several do, or none stands out of what every cylinder does. Where it cannot say so, it says why.
 *
 * @example listen(sound, heardEngine(six)).heard.told // true
 */
export function listen(sound: Sound, engine: HeardEngine): Listened {
  const spectrogram = spectrogramOf(sound);
  const unheard = (heard: Extract<Heard, { told: false }>) => ({ heard, spectrogram, marks: [] });
  if (sound.length < LEAST_SECONDS * SOUND_RATE) return unheard({ told: false, why: 'short' });
  if (clipped(sound) > CLIPPED) return unheard({ told: false, why: 'clipped' });
  const bands = LISTENED_BANDS.map(([from, to]) => bandOf(spectrogram, from, to));
  const beat = beatOf(present(bands[0]));
  const { speed, clear, ahead } = engineSpeed(beat, engine.steps, engine.turns);
  if (clear < CLEAR.beat || ahead < CLEAR.ahead) return unheard({ told: false, why: 'beat' });
  const rounded = Math.round(speed);
  const passed = cyclesPassed(beat, { ...engine, speed });
  if (!isSteady(beat, engine)) return unheard({ told: false, why: 'unsteady', speed: rounded });
  if (engine.steps < LEAST_STEPS) return unheard({ told: false, why: 'few', speed: rounded });
  const cycles = bands.map((band) => oneCycle(band, passed, { ...engine, speed }));
  const whole = cycles.filter((cycle) => cycle !== undefined);
  if (whole.length < bands.length) return unheard({ told: false, why: 'short', speed: rounded });
  const [, ...high] = whole;
  const { many, ticks } = tickingOf(high, engine.open);
  const heard: Heard = {
    told: true,
    turns: engine.turns,
    speed: rounded,
    ticks: many,
    over: inTenths(Math.max(0, ...ticks.map(({ over }) => over))),
    share: Math.round(shareOf(high, ticks) * 100) / 100,
    usual: bands.map((band) => profileOf(band, passed, engine.steps)),
  };
  // One thing may be heard at both ends of its lobe: only the louder is marked, as it is told.
  const marked = many === 'one' ? ticks.slice(0, 1) : ticks;
  return { heard, spectrogram, marks: marksOf(marked, passed) };
}

/**
 * The beat of a band: its loudness with the thumps of the firing made large. What is louder than
 * they are, as a dropped spanner, counts no more than they do.
 */
function beatOf(band: Float64Array): Float64Array {
  const loudness = band.map((level) => 10 ** (level / 40));
  const most = quantile(loudness.slice().sort(), 0.97);
  return loudness.map((level) => Math.min(level, most));
}

function clipped(sound: Sound): number {
  return (
    sound.reduce((many, sample) => (Math.abs(sample) > 0.985 ? many + 1 : many), 0) / sound.length
  );
}

/** Whether both halves of a clip go at like speed, as far as it is told in them. */
function isSteady(beat: Float64Array, { steps, turns }: HeardEngine): boolean {
  const half = beat.length >> 1;
  const [first, second] = [beat.subarray(0, half), beat.subarray(half)].map((part) =>
    engineSpeed(part, steps, turns),
  );
  return Math.abs(Math.log(present(first).speed / present(second).speed)) < STEADY;
}

/** How much of the power above the firing's band comes from what ticks, 0 to 1. */
function shareOf(high: readonly OneCycle[], ticks: readonly Tick[]): number {
  let [all, extra] = [0, 0];
  for (const { heard, usual } of high) {
    heard.forEach((level, bin) => {
      const power = 10 ** (level / 10);
      all += power;
      const near = ticks.some(({ at }) => partsApart(at, bin / heard.length) * heard.length < 2.5);
      if (near) extra += Math.max(0, power - 10 ** ((usual[bin] ?? level) / 10));
    });
  }
  return all > 0 ? extra / all : 0;
}

/** This part of what was heard is quieter: one loud cylinder of three does not raise it. */
const MOSTLY = 0.35;

/** How loud it mostly is from one firing to the next, at so many points whatever the speed. */
function profileOf(loudness: Float64Array, passed: Float64Array, steps: number): number[] {
  const points = Array.from({ length: PROFILE_POINTS }, (): number[] => []);
  loudness.forEach((level, look) => {
    const place = onTo(0, (passed[look] ?? 0) * steps);
    points[Math.floor(place * PROFILE_POINTS)]?.push(level);
  });
  return points.map((levels) => inTenths(quantile(Float64Array.from(levels).sort(), MOSTLY)));
}

/** The looks at which the ticks are heard: each once in every cycle. */
function marksOf(ticks: readonly Tick[], passed: Float64Array): number[] {
  const marks: number[] = [];
  for (let look = 1; look < passed.length; look++) {
    const [before, now] = [passed[look - 1] ?? 0, passed[look] ?? 0];
    if (ticks.some(({ at }) => Math.floor(now - at) > Math.floor(before - at))) marks.push(look);
  }
  return marks;
}
