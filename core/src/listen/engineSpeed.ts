import { median } from '../statistics';
import { LOOKS } from './spectrogram';
import { transformOf } from './transformOf';

/** Slowest and fastest idle that is looked for, 1/min. */
const IDLE = { from: 350, to: 1300 };
const LINES = 3;
/** How much what beats slower than the firing speaks against it: a loud tick does. */
const BELOW = 0.6;
const SIZE = 16_384;
/** Looks of one stretch: long enough for sharp lines, short enough for a speed that wanders. */
const STRETCH = 3000;

/** A speed, and how much clearer it is than silence and than the next likely one, dB. */
export type SpeedFound = { speed: number; clear: number; ahead: number };

/**
 * The engine speed that a loudness tells, 1/min: it beats at the firing rate and its multiples, and
 * less at whatever comes once in a cycle or in two. `steps` is how often an engine fires alike in a
 * cycle of `turns` turns.
 */
export function engineSpeed(loudness: Float64Array, steps: number, turns: number): SpeedFound {
  const lines = linesOf(loudness);
  const at = (hertz: number) => {
    const place = Math.round((hertz * SIZE) / LOOKS);
    let best = 0;
    for (let i = place - 2; i <= place + 2; i++) best = Math.max(best, lines[i] ?? 0);
    return best;
  };
  const scored: { speed: number; score: number }[] = [];
  for (let speed = IDLE.from; speed <= IDLE.to; speed *= 1.002) {
    const firing = (speed / 60 / turns) * steps;
    let mean = 0;
    for (let line = 1; line <= LINES; line++) mean += at(line * firing) / LINES;
    let below = 0;
    for (let half = 1; half < 2 * steps; half++) {
      below = Math.max(below, at((half / 2 / steps) * firing));
    }
    // Where the first line is weak, the others are another beat's.
    scored.push({ speed, score: Math.min(mean, at(firing)) - BELOW * below });
  }
  const best = scored.reduce((a, b) => (b.score > a.score ? b : a));
  const other = scored
    .filter(({ speed }) => Math.abs(Math.log(speed / best.speed)) > 0.06)
    .reduce((most, { score }) => Math.max(most, score), 0);
  return { speed: best.speed, clear: best.score, ahead: best.score - other };
}

/** How far each beat of a loudness stands out of its neighbours, dB, averaged over the clip. */
function linesOf(loudness: Float64Array): Float64Array {
  const fft = transformOf(SIZE);
  const sum = new Float64Array(SIZE / 2);
  const out: number[] = fft.createComplexArray();
  const stretch = Math.min(STRETCH, loudness.length);
  for (let start = 0; start + stretch <= loudness.length; start += Math.floor(stretch / 2)) {
    const part = loudness.subarray(start, start + stretch);
    const mean = part.reduce((a, b) => a + b, 0) / stretch;
    const padded = new Array<number>(SIZE).fill(0);
    for (let i = 0; i < stretch; i++) {
      padded[i] = ((part[i] ?? 0) - mean) * Math.sin((Math.PI * i) / stretch) ** 2;
    }
    fft.realTransform(out, padded);
    for (let i = 0; i < sum.length; i++) {
      sum[i] = (sum[i] ?? 0) + (out[2 * i] ?? 0) ** 2 + (out[2 * i + 1] ?? 0) ** 2;
    }
  }
  const level = sum.map((power) => 10 * Math.log10(power + 1e-9));
  return standingOut(level);
}

/** Each figure above the median of those around it. */
function standingOut(level: Float64Array): Float64Array {
  const around = Math.round((6 * SIZE) / LOOKS);
  const out = new Float64Array(level.length);
  for (let i = 0; i < level.length; i += 16) {
    const middle = median(level.subarray(Math.max(0, i - around), i + around));
    for (let j = i; j < Math.min(i + 16, level.length); j++) out[j] = (level[j] ?? 0) - middle;
  }
  return out;
}
