import { present } from '../present';
import type { Going } from './cycleParts';
import { LOOKS } from './spectrogram';

/** The beat's place is worked out at every so many looks, and taken for even between. */
const STEP = 10;
/** It is heard over this long at least, seconds, and over so many firings. */
const OVER = { seconds: 0.35, firings: 6 };

/**
 * How many cycles have passed at each look, by the beat of the firing: the speed of an idle wanders,
 * so that counting by a clock would smear a tick within seconds.
 */
export function cyclesPassed(beat: Float64Array, { speed, steps, turns }: Going): Float64Array {
  const firing = ((speed / 60 / turns) * steps) / LOOKS;
  const half = Math.round(Math.max(OVER.seconds * LOOKS, OVER.firings / firing));
  const phaseAt = phaseOf(beat, firing, half);
  const knots: number[] = [];
  let [before, over] = [0, 0];
  for (let look = 0; look < beat.length + STEP; look += STEP) {
    const phase = phaseAt(look);
    if (look > 0) over -= Math.round(phase - before);
    before = phase;
    knots.push(firing * look + phase + over);
  }
  return beat.map((_, look) => {
    const knot = Math.floor(look / STEP);
    const part = look / STEP - knot;
    return (present(knots[knot]) * (1 - part) + present(knots[knot + 1]) * part) / steps;
  });
}

/** How far the beat is ahead of a clock of this rate around a look, parts of a firing. */
function phaseOf(beat: Float64Array, firing: number, half: number): (look: number) => number {
  const mean = beat.reduce((a, b) => a + b, 0) / beat.length;
  const real = beat.map((level, i) => (level - mean) * Math.cos(2 * Math.PI * firing * i));
  const imaginary = beat.map((level, i) => -(level - mean) * Math.sin(2 * Math.PI * firing * i));
  const width = 2 * half + 1;
  const bell = Float64Array.from(
    { length: width },
    (_, i) => Math.sin((Math.PI * (i + 0.5)) / width) ** 2,
  );
  return (look) => {
    let [x, y] = [0, 0];
    const last = Math.min(beat.length - 1, look + half);
    for (let i = Math.max(0, look - half); i <= last; i++) {
      const weight = bell[i - look + half] ?? 0;
      x += weight * (real[i] ?? 0);
      y += weight * (imaginary[i] ?? 0);
    }
    return Math.atan2(y, x) / (2 * Math.PI);
  };
}
