import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { RequestError } from '../requestError';
import { emptyDerived, machineChanged } from '../store/stale';
import type { Database } from '../store/sql/database';
import { keepBlobIn } from '../store/journal/blobs';
import { keepArrivals } from '../store/journal/appends';
import { keepJob } from '../store/journal/jobs';
import { unpack } from '../store/packedAnswers';
import { keepDemoPeople, removeDemoPeople } from '../store/yard/demoPeople';
import { becomeShop, identityOf, isEmptyShop, writeShop } from '../store/yard/shop';
import { signByKeys } from './signByKeys';
import { signedJob } from './signedJob';
import type { DemoMachine } from './yard';
import { keepPractice } from './practice';
import { BLADE_SETS, dayBefore, MACHINES, readingsOf, SHEETS, SHOP } from './yard';

/**
 * Loads the demo yard into a database in which nothing is yet, all of it or nothing; false where
 * there is something already. It is another shop from then on: no phone mixes the two.
 */
export async function loadDemo(db: Database, now: Date): Promise<boolean> {
  return db.write(async (transaction) => {
    if (!(await isEmptyShop(db, transaction))) return false;
    await writeShop(db, { ...SHOP, bladeSets: BLADE_SETS }, transaction);
    await keepSheets(db, now, transaction);
    for (const machine of MACHINES) await keepMachine(db, machine, now, transaction);
    await signByKeys(db, now, transaction);
    await keepDemoPeople(db, transaction);
    await keepPractice(db, now, transaction);
    // What phones keep of the shop before is not offered to it.
    await becomeShop(db, randomUUID(), true, transaction);
    return true;
  });
}

/** What is written down, what rests on others first. */
const IN_ORDER = [
  'shares',
  'signatures',
  'keys',
  'events',
  'jobs',
  'hours_readings',
  'planned',
  'hook_messages',
  'hook_signed',
  'hooks',
  'company_sheets',
  'waiting_hours',
  'fleets',
  'machines',
  'sheets',
  'blobs',
  'shops',
  'audit',
  'practice',
];

/**
 * Takes all of the demo away again and leaves an empty shop; `by` is whoever removes it. Throws
 * RequestError 409 elsewhere.
 */
export async function removeDemo(db: Database, by: string): Promise<void> {
  await db.write(async (transaction) => {
    if (!(await identityOf(db)).demo) {
      throw new RequestError(409, 'This is no demo. Nothing was removed.');
    }
    await emptyDerived(db, transaction);
    for (const table of IN_ORDER) {
      await db.run(`DELETE FROM ${table} WHERE shop = $shop`, [], transaction);
    }
    await removeDemoPeople(db, by, transaction);
    await becomeShop(db, randomUUID(), false, transaction);
  });
  unpack(db);
}

async function keepSheets(db: Database, now: Date, transaction: Transaction): Promise<void> {
  for (const sheet of SHEETS) {
    await db.tables.sheets.create(
      { ...sheet, revision: 1, publishedAt: now.toISOString() },
      { transaction },
    );
  }
}

async function keepMachine(
  db: Database,
  machine: DemoMachine,
  now: Date,
  transaction: Transaction,
): Promise<void> {
  await db.tables.machines.create(machineRow(machine, now), { transaction });
  await machineChanged(db, machine.id, transaction);
  const readings = readingsOf(machine, now).map((reading) => ({ ...reading, machine: machine.id }));
  await db.tables.hours.bulkCreate(readings, { transaction });
  for (const past of machine.jobs) {
    const { head, events, clips } = signedJob(machine, past, now);
    for (const clip of clips) await keepBlobIn(db, clip, now.toISOString(), transaction);
    await keepJob(db, head, machine.sheet.id, transaction);
    const job = { ...head, sheet: machine.sheet.id, seal: null };
    const arrival = { job, events, at: now.toISOString(), person: null };
    await keepArrivals(db, [arrival], transaction);
  }
}

function machineRow(machine: DemoMachine, now: Date) {
  const { id, name, place, sheet, last, inServiceDaysAgo, meter, tag, serial } = machine;
  const baseline = {
    last: last && { date: dayBefore(now, last.daysAgo), hours: last.hours },
    breakInDone: last !== null,
    ...(inServiceDaysAgo !== undefined && { inServiceSince: dayBefore(now, inServiceDaysAgo) }),
  };
  const changes = meter.map(({ daysAgo, offset }) => ({ date: dayBefore(now, daysAgo), offset }));
  return {
    id,
    name,
    sheet: sheet.id,
    sheetRevision: 1,
    meter: changes,
    baseline,
    about: { place, ...(serial !== undefined && { serial }), ...(tag !== undefined && { tag }) },
    retiredAt: null,
    added: null,
  };
}
