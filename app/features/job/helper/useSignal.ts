import { ignore } from '@longbar/core';
import type { TurningWord } from '@longbar/core';
import { useEffect } from 'react';

const TONES: Partial<Record<TurningWord, { hertz: number; times: number }>> = {
  stop: { hertz: 240, times: 3 },
  lost: { hertz: 180, times: 4 },
  there: { hertz: 880, times: 2 },
  turn: { hertz: 520, times: 1 },
};
const LASTS = 0.18;

/** What the link says is heard and felt as well as seen. */
export function useSignal(word: TurningWord): void {
  useEffect(() => {
    const tone = TONES[word];
    if (!tone) return;
    const { hertz, times } = tone;
    navigator.vibrate?.(Array.from({ length: 2 * times - 1 }, () => 150));
    const audio = new AudioContext();
    for (let i = 0; i < times; i++) {
      const oscillator = audio.createOscillator();
      oscillator.frequency.value = hertz;
      oscillator.connect(audio.destination);
      oscillator.start(audio.currentTime + 2 * i * LASTS);
      oscillator.stop(audio.currentTime + (2 * i + 1) * LASTS);
    }
    const done = setTimeout(() => void audio.close(), 2000 * times * LASTS);
    return () => {
      clearTimeout(done);
      void audio.close().catch(ignore('a sound that is over already needs no end'));
    };
  }, [word]);
}
