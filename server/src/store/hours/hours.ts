import type { HoursCorrection, HoursDoubt, HoursPost, HoursReading } from '@longbar/core';
import { dayOf, meterOf, questionHours } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { RequestError, wrongField } from '../../requestError';
import { checksChanged, journalGrew, machineChanged } from '../stale';
import type { Database } from '../sql/database';
import { jobLines } from '../derived/jobReads';
import { hourMeterOf } from '../yard/hourMeter';
import { machineRow } from '../yard/machineRow';
import { settle } from '../derived/readTables';
import type { HoursRow } from '../sql/tables';

/**
 * Keeps a reading of the hour meter. The same again, as a phone sends that got no answer, is kept
 * once. Throws RequestError 400 for one that runs against its neighbours.
 */
export async function addHours(db: Database, id: string, reading: HoursPost, today: string) {
  const machine = await machineRow(db, id);
  const date = dayOf(reading.date);
  if (date > today) {
    throw wrongField('date', 'The date lies ahead. Give the day it was read.');
  }
  await settle(db, today);
  const { readings, meter } = await hourMeterOf(db, machine, await jobLines(db, id));
  const { hours, replaced = false } = reading;
  if (readings.some((each) => dayOf(each.date) === date && each.hours === hours)) {
    return { date, hours };
  }
  const doubt = replaced ? undefined : questionHours(reading, readings, meter);
  refuse(doubt, reading);
  await db.write(async (transaction) => {
    const row = { machine: id, date, hours, replaced: replaced || null };
    await db.tables.hours.create(row, { transaction });
    // From a new meter on all hours are counted anew, those of the checks too.
    if (replaced) await checksChanged(db, id, transaction);
    await machineChanged(db, id, transaction);
  });
  return { date, hours };
}

/**
 * Puts a reading right that was kept wrongly, or takes it back: what stood there is kept beside
 * it, and all that rests on it is worked out anew. `reading` names one of the machine's own, or
 * the signed job it was read in. Throws RequestError 400, 404 or 409.
 */
export async function correctHours(
  db: Database,
  id: string,
  reading: string,
  { hours, sure }: HoursCorrection,
  today: string,
): Promise<void> {
  const machine = await machineRow(db, id);
  await settle(db, today);
  const jobs = await jobLines(db, id);
  const job = jobs.find((each) => each.id === reading);
  const row = await rowOf(db, id, reading);
  const wrong = job ? job.summary.hours : row && { ...row, replaced: row.replaced === true };
  if (!wrong) throw new RequestError(404, 'There is no such reading.');
  if (job && !job.summary.signed) {
    throw new RequestError(409, 'This job is open: read the hours in it once more.');
  }
  if (job && hours === null) {
    throw wrongField('hours', 'The hours of a signed job are put right, not taken back.');
  }
  if (row?.takenBack && hours === null) return;
  if (!row?.takenBack && wrong.hours === hours) return;
  const { readings } = await hourMeterOf(db, machine, jobs);
  const others = row?.takenBack ? readings : withoutOne(readings, wrong);
  const replaced = wrong.replaced ? { replaced: true as const } : {};
  const right = hours === null ? undefined : { date: wrong.date, hours, ...replaced };
  const meter = meterOf(machine.meter, right ? [...others, right] : others);
  const doubt = right && !right.replaced ? questionHours(right, others, meter) : undefined;
  refuse(doubt, { sure });
  await db.write(async (transaction) => {
    if (job) await keepForJob(db, { id, job, hours: hours ?? 0, row, transaction });
    else if (row) await keepOwn(db, row, hours, transaction);
    await checksChanged(db, id, transaction);
    await machineChanged(db, id, transaction);
  });
}

/** What is only unlikely is taken once somebody has looked again and says that they are sure. */
function refuse(doubt: HoursDoubt | undefined, { sure }: Pick<HoursPost, 'sure'>): void {
  if (doubt?.doubt === 'far' && sure) return;
  if (doubt) throw wrongField(doubt.doubt === 'far' ? 'sure' : 'hours', doubt.says);
}

/** The row of a reading: its own, or the one that put a job's right. */
async function rowOf(db: Database, machine: string, reading: string) {
  const own = /^\d{1,15}$/.test(reading);
  const where = own ? { serial: Number(reading), job: null } : { job: reading };
  return (await db.tables.hours.findOne({ where: { machine, ...where } }))?.get();
}

function withoutOne(readings: readonly HoursReading[], one: HoursReading): HoursReading[] {
  const at = readings.findIndex((each) => each.date === one.date && each.hours === one.hours);
  return readings.filter((_, i) => i !== at);
}

async function keepOwn(
  db: Database,
  { serial = 0, hours: kept, was }: HoursRow,
  hours: number | null,
  transaction: Transaction,
): Promise<void> {
  const changed =
    hours === null || hours === kept
      ? { takenBack: hours === null ? true : null }
      : { hours, was: [...(was ?? []), kept], takenBack: null };
  await db.tables.hours.update(changed, { where: { serial }, transaction });
}

type ForJob = {
  id: string;
  job: { id: string; at: string; summary: { hours: HoursReading | null } };
  hours: number;
  row: HoursRow | undefined;
  transaction: Transaction;
};

async function keepForJob(db: Database, { id, job, hours, row, transaction }: ForJob) {
  const shown = job.summary.hours;
  const was = [...(row?.was ?? []), shown?.hours ?? hours];
  const date = dayOf(shown?.date ?? job.at);
  if (row) await db.tables.hours.update({ hours, was }, { where: { job: job.id }, transaction });
  else
    await db.tables.hours.create({ machine: id, date, hours, job: job.id, was }, { transaction });
  await journalGrew(db, { id: job.id, machine: id, at: job.at }, transaction);
}
