import type { Exercise, Level } from '@longbar/core';
import { ignore } from '@longbar/core';
import { useDispatch } from 'react-redux';
import { v4 as uuid } from 'uuid';
import { usePracticeQuery } from '../../state/api';
import { preferencesChanged } from '../../state/preferences';
import { useAppSelector } from '../../state/store';
import { useSync } from '../../sync/SyncProvider';

/** How somebody did at one exercise and level. */
export type Score = { best: number; rounds: number };

/**
 * How whoever works with this phone did: what is kept here, so that it counts without signal, and
 * what the server knows of their other phones. A round is sent when it can be.
 */
export function useScores(): {
  of: (exercise: Exercise, level: Level) => Score | undefined;
  add: (exercise: Exercise, level: Level, points: number) => void;
} {
  const dispatch = useDispatch();
  const sync = useSync();
  const { practice, name, holder } = useAppSelector((state) => state.preferences);
  const { data = [] } = usePracticeQuery(undefined, { refetchOnMountOrArgChange: true });
  const who = name || holder?.name || '';
  const key = (exercise: Exercise, level: Level) => `${who} ${exercise} ${level}`;
  return {
    of(exercise, level) {
      const here = practice[key(exercise, level)];
      const there = data.find(
        (line) => line.who === who && line.exercise === exercise && line.level === level,
      );
      if (!here || !there) return here ?? there;
      // What was sent from here is among what the server counts.
      return {
        best: Math.max(here.best, there.best),
        rounds: Math.max(here.rounds, there.rounds),
      };
    },
    add(exercise, level, score) {
      const before = practice[key(exercise, level)] ?? { best: 0, rounds: 0 };
      const now = { best: Math.max(before.best, score), rounds: before.rounds + 1 };
      dispatch(preferencesChanged({ practice: { ...practice, [key(exercise, level)]: now } }));
      const at = new Date().toISOString();
      if (!who) return;
      sync
        .practised({ id: uuid(), who, exercise, level, score, at })
        .catch(ignore('it is kept in the preferences, and the next round is sent'));
    },
  };
}
