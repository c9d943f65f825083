import type { EngineSheet, Level } from '@longbar/core';
import { meanWiggles, wholeTask } from '@longbar/core';
import { expose } from 'comlink';

const worker = {
  mean: (sheet: EngineSheet, level: Level) => meanWiggles(sheet, level),
  whole: (sheet: EngineSheet, seed: number, level: Level) => wholeTask(sheet, seed, level),
};
export type PracticeWorker = typeof worker;

expose(worker);
