import type { HoursPost, HoursReading, MachineLine } from '@longbar/core';
import { engineHours, questionHours } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { RequestError } from '../requestError';
import { checksChanged, machineChanged } from './changes';
import type { Database } from './database';
import { checkTexts, jobLines, lockPairsOn } from './jobReads';
import { readingsOf } from './machineReads';
import { settle } from './readTables';
import type { MachineRow } from './tables';

/** Every machine of the yard, its hours and what is due on `today`, by name, as JSON. */
export async function machineLines(db: Database, today: string): Promise<string> {
  await settle(db, today);
  const rows = await db.rows<{ line: string }>(
    'SELECT line FROM machine_reads JOIN machines ON id = machine ORDER BY name',
  );
  return `[${rows.map(({ line }) => line).join(',')}]`;
}

/** Every machine of the yard, its hours and what is due on `today`, by name. */
export async function listMachines(db: Database, today: string): Promise<MachineLine[]> {
  return JSON.parse(await machineLines(db, today)) as MachineLine[];
}

/** One machine with its sheet, readings and jobs, newest first, as JSON. */
export async function machineDetail(db: Database, id: string, today: string): Promise<string> {
  await settle(db, today);
  const [row] = await db.rows<{ sheet: string; line: string; page: string }>(
    'SELECT sheet, line, page FROM machine_reads JOIN machines ON id = machine WHERE machine = $1',
    [id],
  );
  if (!row) throw new RequestError(404, 'There is no such machine.');
  const parts = [row.line, row.page].map((object) => object.slice(1, -1));
  return `{${parts.join(',')},"lockPairs":${await lockPairsOn(db, row.sheet)}}`;
}

/** The signed checks of one machine, newest first, as JSON. */
export async function machineChecks(db: Database, id: string, today: string): Promise<string> {
  await machineRow(db, id);
  await settle(db, today);
  return `[${(await checkTexts(db, id)).join(',')}]`;
}

/** Keeps a reading of the hour meter. Refuses one that runs against its neighbours. */
export async function addHours(db: Database, id: string, reading: HoursPost, today: string) {
  const machine = await machineRow(db, id);
  const { meter } = machine;
  const date = reading.date.slice(0, 10);
  if (date > today) throw wrong('date', 'The date lies ahead. Give the day it was read.');
  await settle(db, today);
  const readings = await readingsOf(db, id, await jobLines(db, id));
  const doubt = reading.replaced ? undefined : questionHours(reading, readings, meter);
  // What is only unlikely is taken once somebody has looked again.
  if (doubt && !(doubt.doubt === 'far' && reading.sure)) throw wrong('hours', doubt.says);
  await db.write(async (transaction) => {
    if (reading.replaced) await replaceMeter(db, machine, readings, reading, transaction);
    await db.tables.hours.create({ machine: id, date, hours: reading.hours }, { transaction });
    await machineChanged(db, id, transaction);
  });
  return { date, hours: reading.hours };
}

/** A new meter, or one reset: from that day on the hours run before are added to it. */
async function replaceMeter(
  db: Database,
  { id, meter }: MachineRow,
  readings: readonly HoursReading[],
  reading: HoursReading,
  transaction: Transaction,
): Promise<void> {
  const date = reading.date.slice(0, 10);
  const before = readings.filter((each) => each.date.slice(0, 10) <= date).at(-1);
  const ran = before ? engineHours(before, meter) : 0;
  const changed = [...meter, { date, offset: ran - reading.hours }];
  await db.tables.machines.update({ meter: changed }, { where: { id }, transaction });
  await checksChanged(db, id, transaction);
}

async function machineRow(db: Database, id: string): Promise<MachineRow> {
  const row = await db.tables.machines.findByPk(id);
  if (!row) throw new RequestError(404, 'There is no such machine.');
  return row.get();
}

function wrong(path: string, message: string): RequestError {
  return new RequestError(400, message, [{ path, message }]);
}
