import { localDay, seedOfDay } from '@longbar/core';
import { useState } from 'react';

/** Round after round: the first is the engine of the day, the same for all. */
export type Rounds = {
  round: number;
  seed: number;
  /** Which round of which exercise it is: another is another screen. */
  key: string;
  /** A whole job is worked at, on the screens of a true one. */
  atWork: boolean;
  begin: () => void;
  leave: () => void;
  next: () => void;
};

/** The rounds of an exercise; another one begins with the engine of the day again. */
export function useRounds(of: string): Rounds {
  const [day] = useState(() => localDay(new Date()));
  const [{ exercise, round, atWork }, set] = useState({ exercise: of, round: 0, atWork: false });
  const now = exercise === of ? round : 0;
  const go = (to: number, working: boolean) => set({ exercise: of, round: to, atWork: working });
  return {
    round: now,
    seed: seedOfDay(`${day} ${now}`),
    key: `${of} ${now}`,
    atWork: atWork && exercise === of,
    begin: () => go(now, true),
    leave: () => go(now, false),
    next: () => go(now + 1, false),
  };
}
