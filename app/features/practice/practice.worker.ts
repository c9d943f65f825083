import type { EngineSheet, Level } from '@longbar/core';
import { enoughWiggles, wholeTask } from '@longbar/core';
import { expose } from 'comlink';

const worker = {
  enough: (sheet: EngineSheet, seed: number, level: Level) => enoughWiggles(sheet, seed, level),
  whole: (sheet: EngineSheet, seed: number, level: Level) => wholeTask(sheet, seed, level),
};
export type PracticeWorker = typeof worker;

expose(worker);
