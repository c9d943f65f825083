import type { HoursPost, HoursReading, JobLine, MachineDetail, MachineLine } from '@longbar/core';
import { engineHours, nextDue, questionHours } from '@longbar/core';
import { RequestError } from '../requestError';
import { byDate } from './byDate';
import type { Database } from './database';
import { lastLeftOf, lockPairsIn, notesOf } from './history';
import { jobsOnType } from './jobs';
import { readSheet } from './sheets';
import type { HoursRow, JobRow, MachineRow } from './tables';

/** Every machine of the yard, its hours and what is due on `today`. */
export async function listMachines(db: Database, today: string): Promise<MachineLine[]> {
  const machines = await db.tables.machines.findAll({ order: [['name', 'ASC']] });
  return Promise.all(machines.map(async (row) => (await readMachine(db, row.get(), today)).line));
}

/** One machine with its sheet, readings and jobs, newest first. */
export async function machineDetail(
  db: Database,
  id: string,
  today: string,
): Promise<MachineDetail> {
  const row = await db.tables.machines.findByPk(id);
  if (!row) throw new RequestError(404, 'There is no such machine.');
  const { line, readings, jobs, document } = await readMachine(db, row.get(), today);
  return {
    ...line,
    document,
    meter: row.get().meter,
    readings: readings.sort(byDate).reverse(),
    history: jobs.filter(({ summary }) => summary.signed).map(jobLine),
    lastLeft: lastLeftOf(jobs),
    notes: notesOf(jobs),
    lockPairs: lockPairsIn(await jobsOnType(db, line.sheet.id)),
  };
}

/** Keeps a reading of the hour meter. Refuses one that runs against its neighbours. */
export async function addHours(db: Database, id: string, reading: HoursPost, today: string) {
  const row = await db.tables.machines.findByPk(id);
  if (!row) throw new RequestError(404, 'There is no such machine.');
  const { meter } = row.get();
  const date = reading.date.slice(0, 10);
  if (date > today) throw wrong('date', 'The date lies ahead. Give the day it was read.');
  const { readings } = await readMachine(db, row.get(), today);
  const doubt = reading.replaced ? undefined : questionHours(reading, readings, meter);
  // What is only unlikely is taken once somebody has looked again.
  if (doubt && !(doubt.doubt === 'far' && reading.sure)) throw wrong('hours', doubt.says);
  if (reading.replaced) await replaceMeter(db, row.get(), readings, reading);
  const kept: HoursRow = { machine: id, date, hours: reading.hours };
  await db.write((transaction) => db.tables.hours.create(kept, { transaction }));
  return { date, hours: reading.hours };
}

/** A new meter, or one reset: from that day on the hours run before are added to it. */
async function replaceMeter(
  db: Database,
  { id, meter }: MachineRow,
  readings: readonly HoursReading[],
  reading: HoursReading,
): Promise<void> {
  const date = reading.date.slice(0, 10);
  const before = readings.filter((each) => each.date.slice(0, 10) <= date).at(-1);
  const ran = before ? engineHours(before, meter) : 0;
  const changed = [...meter, { date, offset: ran - reading.hours }];
  await db.write((transaction) =>
    db.tables.machines.update({ meter: changed }, { where: { id }, transaction }),
  );
}

function wrong(path: string, message: string): RequestError {
  return new RequestError(400, message, [{ path, message }]);
}

async function readMachine(db: Database, machine: MachineRow, today: string) {
  const [sheet, jobRows, hoursRows] = await Promise.all([
    readSheet(db, machine.sheet),
    db.tables.jobs.findAll({ where: { machine: machine.id }, order: [['at', 'DESC']] }),
    db.tables.hours.findAll({ where: { machine: machine.id } }),
  ]);
  if (!sheet) throw new Error(`Machine ${machine.id} has no sheet ${machine.sheet}.`);
  const jobs = jobRows.map((row) => row.get());
  const fromJobs = jobs.flatMap(({ summary }) => summary.hours ?? []);
  const readings: HoursReading[] = [
    ...hoursRows.map((row) => ({ date: row.get().date, hours: row.get().hours })),
    ...fromJobs,
  ].sort(byDate);
  // An incomplete job is on record, but the check it was to be is still due.
  const signed = jobs.filter(({ summary }) => summary.hours && isComplete(summary.signed));
  const { baseline, meter } = machine;
  const last = signed[0]?.summary.hours ?? baseline.last;
  const service = sheet.document.service;
  const breakInDone = baseline.breakInDone || signed.length > 0;
  const due = nextDue({ service, meter, last, breakInDone }, readings, today) ?? null;
  const open = jobs.find(({ summary }) => !summary.signed);
  const line: MachineLine = {
    id: machine.id,
    name: machine.name,
    engine: sheet.document.name,
    sheet: { id: sheet.id, revision: sheet.revision },
    hours: readings[readings.length - 1] ?? last,
    due,
    interval: (due?.by === 'break-in' ? service?.breakInHours : service?.everyHours) ?? null,
    jobs: { open: open ? jobLine(open) : null, signed: signed.length },
  };
  return { line, readings, jobs, document: sheet.document };
}

function isComplete(signed: JobRow['summary']['signed']): boolean {
  return signed !== null && !signed.incomplete;
}

function jobLine({ id, at, by, method, sheetRevision, summary }: JobRow): JobLine {
  return { id, at, by, method, sheetRevision, summary };
}
