import * as v from 'valibot';
import { ignore } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Beside the database: the last event that a phone was told is kept. */
const FILE = 'longbar-acknowledged';

/** Written at most so often, ms. */
const EVERY = 1000;

type Ask = (sql: string, bind?: unknown[]) => Promise<unknown[]>;
const CountSchema = v.object({ seq: v.number() });

/** The count of what was acknowledged, kept outside the database. */
export type Acknowledged = {
  /** How many events phones were told are kept, and are missing now. */
  lost: number;
  /** Something was kept and will be acknowledged. */
  kept(): void;
  close(): Promise<void>;
};

/** Begins the count anew, as for a restored database. */
export function forgetAcknowledged(folder: string): void {
  rmSync(join(folder, FILE), { force: true });
}

/**
 * Keeps the count of what was acknowledged outside the database, so that a log that vanished is
 * noticed at the next start: the database is in another life then, and phones offer what it lacks.
 * The count may lag behind what is kept, never run ahead of it.
 */
export async function countAcknowledged(folder: string, ask: Ask): Promise<Acknowledged> {
  const file = join(folder, FILE);
  const held = async () => {
    const found = await ask("SELECT seq FROM sqlite_sequence WHERE name = 'events'");
    return found[0] === undefined ? 0 : v.parse(CountSchema, found[0]).seq;
  };
  const told = existsSync(file) ? Number(readFileSync(file, 'utf8')) : 0;
  const lost = Number.isSafeInteger(told) ? Math.max(0, told - (await held())) : 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let writing = Promise.resolve();
  const write = async () => {
    try {
      writeFileSync(`${file}.part`, String(await held()));
      renameSync(`${file}.part`, file);
    } catch (error) {
      ignore('it is written after the next write again')(error);
    }
  };
  const kept = () => {
    timer ??= setTimeout(() => {
      timer = undefined;
      writing = write();
    }, EVERY).unref();
  };
  if (lost > 0) {
    await ask('UPDATE identity SET generation = $1', [randomUUID()]);
    kept();
  }
  return {
    lost,
    kept,
    async close() {
      await writing;
      if (timer === undefined) return;
      clearTimeout(timer);
      await write();
    },
  };
}
