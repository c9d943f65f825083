import type { SaidInstruction } from '@longbar/core';
import { useCallback, useEffect } from 'react';
import { useAppSelector } from '../../../state/store';

/** Whether this browser can speak at all. */
export const CAN_SPEAK = typeof window !== 'undefined' && 'speechSynthesis' in window;

/** Says words aloud, the latest in place of the one before, because somebody asked for it. */
export function sayAloud(words: string): void {
  if (!CAN_SPEAK) return;
  window.speechSynthesis.cancel();
  window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
}

/** Says words aloud where that is switched on, the latest in place of the one before. */
export function useSpeech(): (words: string) => void {
  const aloud = useAppSelector((state) => state.preferences.aloud);
  return useCallback(
    (words: string) => {
      if (aloud) sayAloud(words);
    },
    [aloud],
  );
}

/** Says the instruction when it changes, after whatever was tapped has been said. */
export function useInstructionAloud(says: SaidInstruction | undefined): void {
  const aloud = useAppSelector((state) => state.preferences.aloud);
  const words = says && [says.what, says.detail].filter(Boolean).join('. ');
  useEffect(() => {
    if (!aloud || !CAN_SPEAK || words === undefined) return;
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
  }, [aloud, words]);
}
