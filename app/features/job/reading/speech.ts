import { useCallback } from 'react';
import { useAppSelector } from '../../../state/store';

/** Whether this browser can speak at all. */
export const CAN_SPEAK = typeof window !== 'undefined' && 'speechSynthesis' in window;

/** Says words aloud where that is switched on, the latest in place of the one before. */
export function useSpeech(): (words: string) => void {
  const aloud = useAppSelector((state) => state.preferences.aloud);
  return useCallback(
    (words: string) => {
      if (!aloud || !CAN_SPEAK) return;
      window.speechSynthesis.cancel();
      window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
    },
    [aloud],
  );
}
