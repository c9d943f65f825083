import type { Exercise, Level } from '@longbar/core';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../state/preferences';
import { useAppSelector } from '../../state/store';

/** How somebody did at one exercise and level on this phone. */
export type Score = { best: number; rounds: number };

/** The scores kept on this phone; they are no part of any record. */
export function useScores(): {
  of: (exercise: Exercise, level: Level) => Score | undefined;
  add: (exercise: Exercise, level: Level, points: number) => void;
} {
  const dispatch = useDispatch();
  const practice = useAppSelector((state) => state.preferences.practice);
  const key = (exercise: Exercise, level: Level) => `${exercise} ${level}`;
  return {
    of: (exercise, level) => practice[key(exercise, level)],
    add: (exercise, level, points) => {
      const before = practice[key(exercise, level)] ?? { best: 0, rounds: 0 };
      const now = { best: Math.max(before.best, points), rounds: before.rounds + 1 };
      dispatch(preferencesChanged({ practice: { ...practice, [key(exercise, level)]: now } }));
    },
  };
}
