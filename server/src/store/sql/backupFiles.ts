import type { Backups } from '@longbar/core';
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** Where backups are kept, how many, and how often one is made. */
export type BackupPlan = {
  folder: string;
  /** A second folder, on another disk, that each backup is copied to. */
  to?: string | undefined;
  keep: number;
  everyHours: number;
};

/** A backup by its file: its place in their sequence, and when it was made. */
export type BackupFile = { file: string; sequence: number; madeAt: Date };

/** Backups of earlier versions have no number: they are older than all that have one. */
const NAME = /^longbar-(?:(\d{6})-)?(\d{4})(\d{2})(\d{2})-(\d{2})(\d{2})(\d{2})\.sqlite$/;

/** The backups of a folder, the oldest first: by their number, for a clock may have been wrong. */
export function backupsIn(folder: string): BackupFile[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((name): BackupFile[] => {
      const [, sequence = '0', year, month, day, hour, minute, second] = NAME.exec(name) ?? [];
      if (year === undefined) return [];
      const madeAt = new Date(`${year}-${month}-${day}T${hour}:${minute}:${second}Z`);
      return [{ file: join(folder, name), sequence: Number(sequence), madeAt }];
    })
    .sort((a, b) => a.sequence - b.sequence || (a.file < b.file ? -1 : 1));
}

/** The name of the next backup of a folder. */
export function nextBackup(folder: string, now: Date): string {
  const sequence = (backupsIn(folder).at(-1)?.sequence ?? 0) + 1;
  const stamp = now.toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-');
  return `longbar-${String(sequence).padStart(6, '0')}-${stamp}.sqlite`;
}

/** Keeps the newest so many backups, and takes away what was begun and never finished. */
export function tidyBackups(folder: string, keep: number, now: Date): void {
  const all = backupsIn(folder);
  for (const { file } of all.slice(0, Math.max(0, all.length - keep)))
    rmSync(file, { force: true });
  for (const name of readdirSync(folder)) {
    if (!/^longbar-[\d-]+\.sqlite\.part$/.test(name)) continue;
    const file = join(folder, name);
    // One that is being made just now, by another process, is left alone.
    const age = Math.abs(now.getTime() - statSync(file).mtimeMs);
    if (age > AN_HOUR) rmSync(file, { force: true });
  }
}

const AN_HOUR = 3_600_000;

/** What is known of the backups: the last one, whether the next is due, and whether it is late. */
export type BackupState = {
  last: Date | null;
  due: boolean;
  /** So old that somebody should look why. */
  late: boolean;
  everyHours: number;
  /** The last one in the second folder, where there is one. */
  second?: Date | null;
};

/** What is known of the backups of a plan. One from a clock that was ahead tells nothing. */
export function backupState({ folder, to, everyHours }: BackupPlan, now: Date): BackupState {
  const last = backupsIn(folder).at(-1)?.madeAt ?? null;
  const age = last ? now.getTime() - last.getTime() : Infinity;
  const due = age >= everyHours * AN_HOUR || age < 0;
  return {
    last,
    due,
    late: age >= 2 * everyHours * AN_HOUR || age < 0,
    everyHours,
    ...(to !== undefined && { second: backupsIn(to).at(-1)?.madeAt ?? null }),
  };
}

/** The same as the shop's page tells it. */
export function backupsTold(plan: BackupPlan, now: Date): Backups {
  const { last, late, everyHours, second } = backupState(plan, now);
  return {
    last: last?.toISOString() ?? null,
    late,
    everyHours,
    ...(second !== undefined && { second: second?.toISOString() ?? null }),
  };
}
