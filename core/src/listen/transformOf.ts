import FFT from 'fft.js';

const known = new Map<number, FFT>();

/**
 * The Fourier transform of so many samples, a power of two. Its tables are worked out once: they
 * took longer than the transform of a clip.
 */
export function transformOf(samples: number): FFT {
  const before = known.get(samples);
  if (before) return before;
  const made = new FFT(samples);
  known.set(samples, made);
  return made;
}
