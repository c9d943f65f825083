import type { HoursReading, JobLine, MachineDetail, MachineLine } from '@longbar/core';
import { engineHours, formatDay, nextDue } from '@longbar/core';
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
    readings: readings.sort(byDate).reverse(),
    history: jobs.filter(({ summary }) => summary.signed).map(jobLine),
    lastLeft: lastLeftOf(jobs),
    notes: notesOf(jobs),
    lockPairs: lockPairsIn(await jobsOnType(db, line.sheet.id)),
  };
}

/** Keeps a reading of the hour meter. Refuses one that runs against its neighbours. */
export async function addHours(db: Database, id: string, reading: HoursReading, today: string) {
  const row = await db.tables.machines.findByPk(id);
  if (!row) throw new RequestError(404, 'There is no such machine.');
  const { meter } = row.get();
  const date = reading.date.slice(0, 10);
  if (date > today) throw wrong('date', 'The date lies ahead. Give the day it was read.');
  const { readings } = await readMachine(db, row.get(), today);
  const hours = engineHours(reading, meter);
  const dayOf = (known: HoursReading) => known.date.slice(0, 10);
  const before = readings.filter((known) => dayOf(known) < date).at(-1);
  const after = readings.find((known) => dayOf(known) > date);
  if (before && engineHours(before, meter) > hours) {
    const shown = `${before.hours} h on ${formatDay(before.date)}`;
    throw wrong('hours', `The meter showed ${shown} already. Read it once more.`);
  }
  if (after && engineHours(after, meter) < hours) {
    const shown = `${after.hours} h on ${formatDay(after.date)}`;
    throw wrong('hours', `The meter showed only ${shown}. Read it once more.`);
  }
  const kept: HoursRow = { machine: id, date, hours: reading.hours };
  await db.write((transaction) => db.tables.hours.create(kept, { transaction }));
  return { date, hours: reading.hours };
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
