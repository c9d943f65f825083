import type { EngineSheet, Level, Marked } from '@longbar/core';

/** What every exercise is given: the engine, how hard, and which round it is. */
export type ExerciseProps = {
  sheet: EngineSheet;
  level: Level;
  seed: number;
  width: number;
  onMarked: (marked: Marked) => void;
  /** Begins the whole job, which has screens of its own. */
  onBegin: () => void;
};
