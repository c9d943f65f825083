import { randomUUID } from 'node:crypto';
import { parseSheet } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { goByShop } from '../goByShop';
import { RequestError } from '../requestError';
import { emptyDerived, machineChanged } from '../store/changes';
import type { Database } from '../store/database';
import { keepEvents, keepJob } from '../store/jobs';
import { unpack } from '../store/packedAnswers';
import { identityOf, writeShop } from '../store/shop';
import { signedJob } from './signedJob';
import type { DemoMachine } from './yard';
import { BLADE_SETS, dayBefore, MACHINES, readingsOf, SHEETS, SHOP } from './yard';

/**
 * Loads the demo yard into a database in which nothing is yet, all of it or nothing; false where
 * there is something already. It is another shop from then on: no phone mixes the two.
 */
export async function loadDemo(db: Database, now: Date): Promise<boolean> {
  return db.write(async (transaction) => {
    const { shops, sheets, machines } = db.tables;
    for (const table of [shops, sheets, machines] as { count(of: object): Promise<number> }[]) {
      if ((await table.count({ transaction })) > 0) return false;
    }
    await writeShop(db, { ...SHOP, bladeSets: BLADE_SETS }, transaction);
    await keepSheets(db, now, transaction);
    for (const machine of MACHINES) await keepMachine(db, machine, now, transaction);
    await becomeAnother(db, true, transaction);
    return true;
  });
}

/** Takes all of the demo away again, and leaves an empty shop. Throws RequestError 409 elsewhere. */
export async function removeDemo(db: Database): Promise<void> {
  await db.write(async (transaction) => {
    if (!(await identityOf(db)).demo) {
      throw new RequestError(409, 'This is no demo. Nothing was removed.');
    }
    const { events, jobs, hours, machines, sheets, blobs, shops } = db.tables;
    await emptyDerived(db, transaction);
    const inOrder = [events, jobs, hours, machines, sheets, blobs, shops];
    for (const table of inOrder as { destroy(of: object): Promise<number> }[]) {
      await table.destroy({ where: {}, transaction });
    }
    await becomeAnother(db, false, transaction);
  });
  goByShop({});
  unpack(db);
}

/** A shop of its own: what phones keep of the one before is not offered to it. */
async function becomeAnother(db: Database, demo: boolean, transaction: Transaction): Promise<void> {
  await db.tables.identity.destroy({ where: {}, transaction });
  const row = { id: randomUUID(), demo, generation: randomUUID() };
  await db.tables.identity.create(row, { transaction });
}

async function keepSheets(db: Database, now: Date, transaction: Transaction): Promise<void> {
  for (const sheet of SHEETS) {
    const parsed = parseSheet(sheet.document);
    if (!parsed.ok) throw new Error(`Demo sheet: ${JSON.stringify(parsed.issues)}`);
    await db.tables.sheets.create(
      { id: sheet.id, revision: 1, document: parsed.sheet, publishedAt: now.toISOString() },
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
    const { head, events } = signedJob(machine, past, now);
    await keepJob(db, head, machine.sheet.id, transaction);
    const row = { ...head, sheet: machine.sheet.id, seal: null };
    await keepEvents(db, row, events, now.toISOString(), transaction);
  }
}

function machineRow(machine: DemoMachine, now: Date) {
  const { id, name, place, sheet, last, inServiceDaysAgo, meter, tag } = machine;
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
    about: { place, ...(tag !== undefined && { tag }) },
    retiredAt: null,
    added: null,
  };
}
