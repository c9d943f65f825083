import { randomUUID } from 'node:crypto';
import { setTimeout } from 'node:timers/promises';
import type { TestDatabase } from '../../test-support/demoDatabase';
import { demoDatabase } from '../../test-support/demoDatabase';
import { NOW } from '../../test-support/now';
import { appendEvents } from './journal/appends';
import { Remembered } from './remembered';
import type { Database } from './sql/database';
import { renewCalendar } from './yard/door';

let test: TestDatabase;
let db: Database;
beforeAll(async () => {
  test = await demoDatabase();
  db = test.db;
});
afterAll(() => test.end());

/** Asks under one key, and counts how often it was read. */
function asking() {
  const remembered = new Remembered<{ time: number }>();
  let time = 0;
  return () => remembered.of(db, 'key', () => Promise.resolve({ time: ++time }));
}

describe('what is remembered', () => {
  it('is read once, whatever is written into jobs meanwhile', async () => {
    const ask = asking();
    expect(await ask()).toEqual({ time: 1 });
    const [job = ''] = (await db.tables.jobs.findAll()).map((row) => row.get().id);
    const event = { id: randomUUID(), job, n: 9001, at: NOW.toISOString(), by: 'Ina' };
    await appendEvents(db, job, [{ ...event, type: 'bar.out' }], NOW.toISOString());
    expect(await ask()).toEqual({ time: 1 });
  });

  it('is read again once something that jobs share was written, in whatever shop', async () => {
    const ask = asking();
    await ask();
    await renewCalendar(db);
    expect(await ask()).toEqual({ time: 2 });
    await renewCalendar(db);
    expect(await ask()).toEqual({ time: 3 });
  });

  it('is not what was being read while it changed', async () => {
    const remembered = new Remembered<{ of: string }>();
    const before = remembered.of(db, 'key', async () => {
      await renewCalendar(db);
      return { of: 'before' };
    });
    expect(await before).toEqual({ of: 'before' });
    const after = () => Promise.resolve({ of: 'after' });
    expect(await remembered.of(db, 'key', after)).toEqual({ of: 'after' });
  });

  it('lasts a second, for what no process tells', async () => {
    const ask = asking();
    await ask();
    await setTimeout(1100);
    expect(await ask()).toEqual({ time: 2 });
  });

  it('is nothing that was not there', async () => {
    const remembered = new Remembered<{ of: string }>();
    const nothing = () => Promise.resolve(undefined);
    expect(await remembered.of(db, 'key', nothing)).toBeUndefined();
    const something = () => Promise.resolve({ of: 'something' });
    expect(await remembered.of(db, 'key', something)).toEqual({ of: 'something' });
  });
});
