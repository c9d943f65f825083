import { ignore } from '@longbar/core';
import { existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Beside the database: the last event that a phone was told is kept. */
const FILE = 'longbar-acknowledged';

/** Written at most so often, ms. */
const EVERY = 1000;

/** How many events of those that phones were told are kept are missing, `last` being the last held. */
export function lostEvents(folder: string, last: number): number {
  const file = join(folder, FILE);
  if (!existsSync(file)) return 0;
  const told = Number(readFileSync(file, 'utf8'));
  return Number.isSafeInteger(told) ? Math.max(0, told - last) : 0;
}

/** Begins the count anew, as for a restored database. */
export function forgetAcknowledged(folder: string): void {
  rmSync(join(folder, FILE), { force: true });
}

/**
 * Keeps the count of what was acknowledged outside the database, so that a log that vanished is
 * noticed at the next start. It may lag behind what is kept, never run ahead of it.
 */
export function keepCount(folder: string, lastHeld: () => Promise<number>) {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const write = async () => {
    timer = undefined;
    const file = join(folder, FILE);
    try {
      const last = await lastHeld();
      writeFileSync(`${file}.part`, String(last));
      renameSync(`${file}.part`, file);
    } catch (error) {
      ignore('it is written after the next write again')(error);
    }
  };
  return {
    /** Something was kept and will be acknowledged. */
    kept(): void {
      timer ??= setTimeout(() => void write(), EVERY).unref();
    },
    async close(): Promise<void> {
      if (timer === undefined) return;
      clearTimeout(timer);
      await write();
    },
  };
}
