import { AnyRow } from '../../../test-support/anyRow';
import { setImmediate } from 'node:timers/promises';
import type { MachineLine, RateBand } from '@longbar/core';
import { SeededRandom } from '@longbar/core';
import type { TestDatabase } from '../../../test-support/demoDatabase';
import { demoDatabase } from '../../../test-support/demoDatabase';
import { NOW } from '../../../test-support/now';
import { signedJob } from '../../demo/signedJob';
import { MACHINES } from '../../demo/yard';
import type { Database } from '../sql/database';
import { settleDrift } from './drift';
import { appendEvents } from '../journal/appends';
import { beginJob } from '../journal/jobs';
import { addHours } from '../hours/hours';
import { changeMachine } from '../yard/machineChanges';
import { listMachines, machineDetail } from './machines';
import { rebuild, settle } from './readTables';
import { publishSheet } from '../yard/sheets';
import { readShop, writeShop } from '../yard/shop';

const TODAY = '2026-11-23';
const at = NOW.toISOString();
let made: TestDatabase;
let db: Database;
beforeAll(async () => {
  made = await demoDatabase();
  db = made.db;
});
afterAll(() => made.end());

const tables = ['job_reads', 'job_words', 'sheet_reads', 'machine_reads', 'machine_drift'];
const kept = () =>
  Promise.all(
    tables.map((table) => db.whole.rows(AnyRow, `SELECT * FROM ${table} ORDER BY 1, 2, 3, 4`)),
  );

const machine = MACHINES[0]!;
const past = { ...machine.jobs.at(-1)!, daysAgo: 0, hours: 6590 };
const { head, events } = signedJob(machine, past, NOW);
const lineOf = async () => (await listMachines(db, TODAY)).find(({ id }) => id === machine.id);

// A busy machine is slow at a whole yard, and slowness is no mistake of what is derived.

describe('what is derived from the journal', () => {
  it('is seen by whoever reads after a write, event by event', async () => {
    const before = await lineOf();
    await beginJob(db, head);
    expect((await lineOf())?.jobs.open).toMatchObject({ id: head.id, summary: { signed: null } });
    await appendEvents(db, head.id, events.slice(0, -1), at);
    expect((await lineOf())?.jobs.open?.summary.hours).toMatchObject({ hours: 6590 });
    expect((await lineOf())?.due).toMatchObject({ atHours: before?.due?.atHours });
    await appendEvents(db, head.id, events, at);
    expect(await lineOf()).toMatchObject({
      jobs: { open: null, signed: (before?.jobs.signed ?? 0) + 1 },
      due: { atHours: 6590 + 600 },
    });
    await addHours(db, machine.id, { date: TODAY, hours: 6591 }, TODAY);
    expect((await lineOf())?.hours).toMatchObject({ hours: 6591 });
  });

  it('counts from the day it is read on', async () => {
    const launch = MACHINES.find(({ name }) => name === 'Launch')!;
    const due = async (day: string) => JSON.parse(await machineDetail(db, launch.id, day)).due;
    const [then, later] = [await due('2026-11-23'), await due('2027-09-01')];
    expect(then?.date).not.toBeNull();
    expect(later?.why).toContain('12 months');
    await settle(db, TODAY);
  });

  it('lets drift decide when a check is due, before the maker’s interval', async () => {
    expect(await settleDrift(db)).toBe(MACHINES.filter(({ jobs }) => jobs.length > 0).length);
    expect(await settleDrift(db)).toBe(0);
    const byDrift = (await listMachines(db, TODAY)).filter(({ due }) => due?.by === 'drift');
    // Of the demo two: a seat that recedes, and one that closes a little faster than it is checked.
    expect(byDrift.map(({ name }) => name)).toEqual(['Barge', 'Salt truck 3']);
    for (const { due, recheck, interval } of byDrift) {
      expect(recheck?.adjuster).toMatch(/^(intake|exhaust)\.\d$/);
      expect(due).toMatchObject({ atHours: recheck?.atHours, hoursLeft: recheck?.hoursLeft });
      expect(interval).toBeLessThan(1000);
      expect(due?.why).toMatch(
        /^By its drift over 4 checks: No\. \d (intake|exhaust) may have left/,
      );
    }
  });

  it('goes by the risk the shop takes, and by the interval alone where checks are too few', async () => {
    const shop = await readShop(db);
    const looksBy = async (driftRisk: number) => {
      await db.write((transaction) => writeShop(db, { ...shop, driftRisk }, transaction));
      await settleDrift(db);
      return listMachines(db, TODAY);
    };
    const atHours = (lines: MachineLine[], name: string) =>
      lines.find((line) => line.name === name)?.recheck?.atHours ?? Infinity;
    const [seldom, often] = [await looksBy(40), await looksBy(1)];
    for (const { name } of often) {
      expect(atHours(often, name)).toBeLessThanOrEqual(atHours(seldom, name));
    }
    expect(atHours(often, 'Salt truck 3')).toBeLessThan(atHours(seldom, 'Salt truck 3'));
    const few = often.filter(({ tooFewChecks }) => tooFewChecks);
    const told = MACHINES.filter(({ jobs }) => jobs.length === 1).map(({ name }) => name);
    expect(few.map(({ name }) => name).sort()).toEqual(told.sort());
    for (const { due } of few.filter((line) => line.due?.by === 'hours')) {
      expect(due?.why).toContain('Too few checks to tell its drift.');
    }
    expect(await looksBy(10)).toEqual(await looksBy(10));
  });

  it('tells how fast each adjuster drifts to whoever opens the machine’s page', async () => {
    await settleDrift(db);
    const { rates } = JSON.parse(await machineDetail(db, machine.id, TODAY));
    expect(Object.keys(rates).length).toBeGreaterThan(10);
    for (const { low, high } of Object.values<RateBand>(rates))
      expect(low).toBeLessThanOrEqual(high);
  });

  it('follows the shop’s rules and a new revision of the sheet', async () => {
    const other = MACHINES[1]!;
    const job = { ...head, id: '00000000-0000-4000-8000-0000000000b1', machine: other.id };
    await beginJob(db, job);
    const steps = async () => {
      const line = (await listMachines(db, TODAY)).find(({ id }) => id === other.id);
      return line?.jobs.open?.summary.step?.of;
    };
    expect(await steps()).toBeGreaterThan(5);
    const sheet = other.sheet;
    const renamed = { ...sheet.document, name: 'Dunlin 4, later' };
    await publishSheet(db, sheet.id, renamed, at);
    const line = (await listMachines(db, TODAY)).find(({ id }) => id === other.id);
    expect(line).toMatchObject({ engine: 'Dunlin 4', sheet: { revision: 1, newest: 2 } });
    await changeMachine(db, other.id, { sheet: sheet.id }, at, TODAY);
    const detail = JSON.parse(await machineDetail(db, other.id, TODAY));
    expect(detail.document.name).toBe('Dunlin 4, later');
    const shop = await readShop(db);
    await db.write((transaction) => writeShop(db, { ...shop, round: 'all' }, transaction));
    const stale = await db.whole.rows(AnyRow, 'SELECT job FROM job_reads WHERE stale = 1');
    expect(stale).toContainEqual({ job: job.id });
    await settle(db, TODAY);
    expect(await db.whole.rows(AnyRow, 'SELECT job FROM job_reads WHERE stale = 1')).toEqual([]);
  });

  it('is worked out to the same whatever came in which order, and read in between', async () => {
    const chance = new SeededRandom(9);
    const jobs = [2, 3, 4].map((n) => {
      const own = signedJob(machine, { ...past, daysAgo: n, hours: 6500 + n }, NOW);
      return { ...own, sent: 0 };
    });
    for (let step = 0; step < 60; step++) {
      const job = chance.one(jobs);
      const what = chance.next();
      if (job.sent === 0) await beginJob(db, job.head);
      const batch = job.events.slice(job.sent, job.sent + chance.whole(1, 12));
      if (what < 0.7 && batch.length > 0) {
        await appendEvents(db, job.head.id, batch, at);
        job.sent += batch.length;
      } else if (what < 0.8) await settle(db, TODAY);
      else if (what < 0.9) await settleDrift(db);
      else await machineDetail(db, chance.one(MACHINES).id, '2026-12-24');
    }
    await settle(db, TODAY);
    await settleDrift(db);
    await settle(db, TODAY);
    const before = await kept();
    await rebuild(db, TODAY);
    expect(await kept()).toEqual(before);
  });

  it('misses nothing of what is written while it is worked out', async () => {
    const { head: began, events: own } = signedJob(
      machine,
      { ...past, daysAgo: 1, hours: 6589 },
      NOW,
    );
    await beginJob(db, began);
    // Readers and a writer at once: whatever falls between the two steps of working out.
    const reading = async () => {
      for (let i = 0; i < 40; i++) await machineDetail(db, machine.id, TODAY);
    };
    const writing = async () => {
      for (let i = 0; i < own.length; i += 3) {
        await appendEvents(db, began.id, own.slice(i, i + 3), at);
      }
    };
    await Promise.all([writing(), reading(), reading()]);
    await settle(db, TODAY);
    await settleDrift(db);
    await settle(db, TODAY);
    const before = await kept();
    await rebuild(db, TODAY);
    expect(await kept()).toEqual(before);
  });

  it('is seen by whoever reads after a write was answered, though others read during it', async () => {
    const other = MACHINES[3]!;
    const start = (await listMachines(db, TODAY)).find(({ id }) => id === other.id)!.hours!.hours;
    for (let i = 1; i <= 5; i++) {
      const hours = start + i / 10;
      const written = addHours(db, other.id, { date: TODAY, hours, sure: true }, TODAY);
      // Somebody reads at every moment of it.
      let answered = false;
      const reading = async () => {
        while (!answered) {
          await machineDetail(db, other.id, TODAY);
          // An answer that is packed already takes no turn of the loop that the write waits for.
          await setImmediate();
        }
      };
      const readers = [reading(), reading()];
      await written;
      const read = JSON.parse(await machineDetail(db, other.id, TODAY));
      answered = true;
      await Promise.all(readers);
      expect(read.hours.hours).toBe(hours);
    }
  });

  it('is the same bytes when it is worked out anew', async () => {
    await settle(db, TODAY);
    const before = await kept();
    expect(before.every((rows) => rows.length > 0)).toBe(true);
    await rebuild(db, TODAY);
    expect(await kept()).toEqual(before);
  });
});
