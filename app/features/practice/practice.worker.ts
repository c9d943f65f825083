import type { EngineSheet, Level } from '@longbar/core';
import { meanWiggles } from '@longbar/core';
import { expose } from 'comlink';

const worker = { mean: (sheet: EngineSheet, level: Level) => meanWiggles(sheet, level) };
export type PracticeWorker = typeof worker;

expose(worker);
