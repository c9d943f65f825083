import type { EngineSheet } from '@longbar/core';
import { isLessonDone, LESSON_STEPS } from '@longbar/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Crank } from '../../../drawing/crank';

/** Where one is in the lesson, and whether the present step is done. */
export type Lesson = { step: number; done: boolean; go: (step: number) => void };

/** Follows what is done with the crank, step by step of the lesson. */
export function useLesson(sheet: EngineSheet, crank: Crank): Lesson {
  const [step, setStep] = useState(0);
  const [done, setDone] = useState(false);
  const visited = useRef<number[]>([]);
  useEffect(() => {
    visited.current = [crank.at()];
    return crank.subscribe(() => {
      const at = Math.round(crank.at());
      const angles = visited.current;
      // What a finger passed over between two moves was seen too, unless it jumped.
      angles.push(...between(angles.at(-1) ?? at, at), at);
      if (isLessonDone(step, sheet, angles)) setDone(true);
    });
  }, [crank, sheet, step]);
  const go = useCallback((next: number) => {
    setDone(false);
    setStep(Math.max(0, Math.min(LESSON_STEPS.length - 1, next)));
  }, []);
  return { step, done, go };
}

/** A finger goes no further at once than this, degrees. */
const JUMP = 60;

function between(from: number, to: number): number[] {
  const way = ((to - from + 1080) % 720) - 360;
  if (Math.abs(way) > JUMP) return [];
  const sign = Math.sign(way);
  return Array.from(
    { length: Math.max(0, Math.abs(way) - 1) },
    (_, i) => (from + sign * (i + 1) + 720) % 720,
  );
}
