import type { EngineSheet } from '../engine/sheet';
import type { SeededRandom } from '../seededRandom';
import type { EngineJournal } from './engineJournal';
import type { LogEntry } from './log';
import type { Mechanic } from './mechanic';

/** A job as somebody finds it who does something that it does not ask for. */
export type AtJob = {
  sheet: EngineSheet;
  journal: EngineJournal;
  mechanic: Mechanic;
  random: SeededRandom;
  log: LogEntry[];
  /** Who holds the phone, and the time on it. */
  person: string;
  now: string;
  /** So many minutes go by. */
  pass: (minutes: number) => void;
};
