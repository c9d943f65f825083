import { parseSheet } from '@longbar/core';
import { machineChanged } from '../store/changes';
import type { Database } from '../store/database';
import { appendEvents, beginJob } from '../store/jobs';
import { writeShop } from '../store/shop';
import { signedJob } from './signedJob';
import type { DemoMachine } from './yard';
import { BLADE_SETS, dayBefore, MACHINES, readingsOf, SHEETS, SHOP } from './yard';

/** Loads the demo yard into an empty database; false where there is something already. */
export async function loadDemo(db: Database, now: Date): Promise<boolean> {
  if ((await db.tables.machines.count()) > 0) return false;
  await db.write(async (transaction) => {
    await writeShop(db, { ...SHOP, bladeSets: BLADE_SETS }, transaction);
    for (const sheet of SHEETS) {
      const parsed = parseSheet(sheet.document);
      if (!parsed.ok) throw new Error(`Demo sheet: ${JSON.stringify(parsed.issues)}`);
      await db.tables.sheets.create(
        { id: sheet.id, revision: 1, document: parsed.sheet, publishedAt: now.toISOString() },
        { transaction },
      );
    }
    for (const machine of MACHINES) {
      await db.tables.machines.create(machineRow(machine, now), { transaction });
      await machineChanged(db, machine.id, transaction);
      const readings = readingsOf(machine, now).map((reading) => ({
        ...reading,
        machine: machine.id,
      }));
      await db.tables.hours.bulkCreate(readings, { transaction });
    }
  });
  for (const machine of MACHINES) {
    for (const past of machine.jobs) {
      const { head, events } = signedJob(machine, past, now);
      await beginJob(db, head);
      await appendEvents(db, head.id, events, now.toISOString());
    }
  }
  return true;
}

function machineRow(machine: DemoMachine, now: Date) {
  const { id, name, sheet, last, inServiceDaysAgo, meter } = machine;
  const baseline = {
    last: last && { date: dayBefore(now, last.daysAgo), hours: last.hours },
    breakInDone: last !== null,
    ...(inServiceDaysAgo !== undefined && { inServiceSince: dayBefore(now, inServiceDaysAgo) }),
  };
  const changes = meter.map(({ daysAgo, offset }) => ({ date: dayBefore(now, daysAgo), offset }));
  return { id, name, sheet: sheet.id, meter: changes, baseline };
}
