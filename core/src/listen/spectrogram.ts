import type { Sound } from './sound';
import { SOUND_RATE } from './sound';
import { transformOf } from './transformOf';

/** Samples of one look at a sound, and from one look to the next: a thousand looks a second. */
const WINDOW = 128;
const HOP = SOUND_RATE / 1000;
/** Looks a second. */
export const LOOKS = SOUND_RATE / HOP;
/** From one row of a look to the next, Hz. */
export const ROW_HERTZ = SOUND_RATE / WINDOW;
/** Rows of a look. */
export const ROWS = WINDOW / 2;

/** How loud a sound is at each look and frequency: power, one look after another, ROWS each. */
export type Spectrogram = { looks: number; power: Float32Array };

/** Looks at a sound a thousand times a second. */
export function spectrogramOf(sound: Sound): Spectrogram {
  const fft = transformOf(WINDOW);
  const looks = Math.max(0, Math.floor((sound.length - WINDOW) / HOP) + 1);
  const power = new Float32Array(looks * ROWS);
  const bell = Float64Array.from(
    { length: WINDOW },
    (_, i) => Math.sin((Math.PI * i) / WINDOW) ** 2,
  );
  const part = new Array<number>(WINDOW).fill(0);
  const out: number[] = fft.createComplexArray();
  for (let look = 0; look < looks; look++) {
    for (let i = 0; i < WINDOW; i++) part[i] = (sound[look * HOP + i] ?? 0) * (bell[i] ?? 0);
    fft.realTransform(out, part);
    for (let row = 0; row < ROWS; row++) {
      power[look * ROWS + row] = (out[2 * row] ?? 0) ** 2 + (out[2 * row + 1] ?? 0) ** 2;
    }
  }
  return { looks, power };
}

/** How loud it is between two frequencies at each look, dB. */
export function bandOf({ looks, power }: Spectrogram, from: number, to: number): Float64Array {
  const first = Math.round(from / ROW_HERTZ);
  const last = Math.min(ROWS - 1, Math.round(to / ROW_HERTZ));
  return Float64Array.from({ length: looks }, (_, look) => {
    let sum = QUIETEST;
    for (let row = first; row <= last; row++) sum += power[look * ROWS + row] ?? 0;
    return 10 * Math.log10(sum);
  });
}

/** Less than the last bit of a microphone. */
const QUIETEST = 1e-6;
