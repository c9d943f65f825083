import fs from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sqlite from 'sqlite3';
import { soak } from '../../core/test-support/times';

/*
 * What a process does to a data folder, step by step: each statement to the database, each move of
 * a file. A kill leaves the folder as it stands before a step; a full disk lets the step fail.
 */

/** Whether a step is looked at: in the soak every one, else one of so many. */
export function isLookedAt(step: number, oneOf: number): boolean {
  return soak || step % oneOf === Math.floor(oneOf / 2);
}

/**
 * Runs `work` and keeps a copy of the folder as it stood before one of so many of its steps, and
 * after the last.
 */
export async function copiesBeforeSteps(
  folder: string,
  oneOf: number,
  work: () => Promise<unknown>,
): Promise<{ copies: string[]; steps: number }> {
  const copies: string[] = [];
  let steps = 0;
  const copy = () => {
    const to = fs.mkdtempSync(join(tmpdir(), 'longbar-step-'));
    fs.cpSync(folder, to, { recursive: true });
    copies.push(to);
  };
  await watching(() => {
    if (isLookedAt(steps++, oneOf)) copy();
    return undefined;
  }, work);
  copy();
  return { copies, steps };
}

/** Runs `work` with the disk full from its `step`th step on. Answers whether it came so far. */
export async function withDiskFullAt(step: number, work: () => Promise<unknown>): Promise<boolean> {
  let at = 0;
  await watching(() => {
    if (at++ < step) return undefined;
    return Object.assign(new Error('SQLITE_FULL: database or disk is full'), {
      code: 'SQLITE_FULL',
    });
  }, work);
  return at > step;
}

type Failing = Error | undefined;
type Done = (error: Error) => void;

/** Calls `before` at each step of `work`; what it answers is the failure of that step. */
async function watching(before: () => Failing, work: () => Promise<unknown>): Promise<void> {
  const undo = [...statements(before), ...moves(before)];
  try {
    await work();
  } finally {
    for (const each of undo) each();
  }
}

/** What only reads or gives up needs no room. */
const FREE = /^\s*(SELECT|PRAGMA|ROLLBACK|BEGIN|EXPLAIN)/i;

/** Every statement is one of a `Statement`, whether prepared before or not, or of an `exec`. */
function statements(before: () => Failing): (() => void)[] {
  return [
    stepped(sqlite.Statement.prototype, 'run', before, (statement) => String(statement.sql)),
    stepped(sqlite.Statement.prototype, 'all', before, (statement) => String(statement.sql)),
    stepped(sqlite.Database.prototype, 'exec', before, (_database, [sql]) => String(sql)),
  ];
}

function stepped(
  prototype: object,
  name: string,
  before: () => Failing,
  sqlOf: (self: Record<string, unknown>, rest: readonly unknown[]) => string,
): () => void {
  type Method = (this: Record<string, unknown>, ...rest: unknown[]) => unknown;
  const methods = prototype as Record<string, Method>;
  const real = methods[name]!;
  methods[name] = function method(...rest) {
    const failing = FREE.test(sqlOf(this, rest)) ? undefined : before();
    if (!failing) return real.apply(this, rest);
    const done = rest.find((each): each is Done => typeof each === 'function');
    setImmediate(() => done?.(failing));
    return this;
  };
  return () => {
    methods[name] = real;
  };
}

function moves(before: () => Failing): (() => void)[] {
  const real = fs.renameSync;
  const spy = jest.spyOn(fs, 'renameSync').mockImplementation((from, to) => {
    // The count of what was acknowledged is written by the clock, while anything else goes on.
    const failing = String(to).endsWith('longbar-acknowledged') ? undefined : before();
    if (failing) throw failing;
    real(from, to);
  });
  return [() => spy.mockRestore()];
}
