import type { HoursReading, JobLine, MachineDetail, MachineLine, SheetDetail } from '@longbar/core';
import { findingsOf, nextDue, pastOf } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { byDate } from './byDate';
import type { Database } from './database';
import { recheckOf } from './drift';
import { lastLeftOf, notesOf } from './history';
import { checksOf, jobLines } from './jobReads';
import { unpack } from './packedAnswers';
import { readSheet } from './sheets';
import type { MachineRow } from './tables';

/** So many machines are worked out in one transaction: a phone waits no longer for its own. */
const AT_ONCE = 20;

type Stale = { machine: string; day: string };

/** Works out what is read of each machine that has changed, or was worked out another day. */
export async function settleMachines(
  db: Database,
  today: string,
  said: (done: number) => void = () => undefined,
): Promise<number> {
  for (let done = 0; ;) {
    const stale = await db.rows<Stale>(
      `SELECT machine, day FROM machine_reads WHERE day <> $1 LIMIT ${AT_ONCE}`,
      [today],
    );
    if (stale.length === 0) return done;
    await db.derive(async (transaction) => {
      for (const each of stale) await settleMachine(db, each, today, transaction);
    });
    done += stale.length;
    said(done);
  }
}

async function settleMachine(
  db: Database,
  { machine: id, day }: Stale,
  today: string,
  transaction: Transaction,
): Promise<void> {
  const machine = (await db.tables.machines.findByPk(id))?.get();
  const sheet = machine && (await readSheet(db, machine.sheet));
  if (!sheet) throw new Error(`Machine ${id} is gone, or its sheet is.`);
  const jobs = await jobLines(db, id);
  const readings = await readingsOf(db, id, jobs);
  const past = { db, machine, sheet, jobs, readings };
  await db.run(
    'UPDATE machine_reads SET day = $1, line = $2 WHERE machine = $3',
    [today, JSON.stringify(await lineOf(past, today)), id],
    transaction,
  );
  unpack(db, 'yard', `machine ${id}`);
  // The page stays as it is until something has changed; days alone change nothing of it.
  if (day !== '') return;
  unpack(db, `checks ${id}`);
  await db.run(
    'UPDATE machine_reads SET page = $1 WHERE machine = $2',
    [JSON.stringify(await pageOf(past)), id],
    transaction,
  );
}

type Past = {
  db: Database;
  machine: MachineRow;
  sheet: SheetDetail;
  jobs: readonly JobLine[];
  readings: HoursReading[];
};

async function lineOf(
  { db, machine, sheet, jobs, readings }: Past,
  today: string,
): Promise<MachineLine> {
  // An incomplete job is on record, but the check it was to be is still due.
  const signed = jobs.filter(({ summary }) => summary.hours && isComplete(summary.signed));
  const { baseline, meter } = machine;
  const last = signed[0]?.summary.hours ?? baseline.last;
  const { service } = sheet.document;
  const breakInDone = baseline.breakInDone || signed.length > 0;
  const due = nextDue({ ...baseline, service, meter, last, breakInDone }, readings, today) ?? null;
  return {
    id: machine.id,
    name: machine.name,
    engine: sheet.document.name,
    sheet: { id: sheet.id, revision: sheet.revision },
    hours: readings[readings.length - 1] ?? last,
    due,
    interval: (due?.by === 'break-in' ? service?.breakInHours : service?.everyHours) ?? null,
    recheck: await recheckOf(db, machine, jobs, readings.at(-1)),
    jobs: {
      open: jobs.find(({ summary }) => !summary.signed) ?? null,
      signed: signed.length,
    },
  };
}

/** What the hour meter of a machine showed, by itself and in its jobs, earliest first. */
export async function readingsOf(
  db: Database,
  machine: string,
  jobs: readonly JobLine[],
): Promise<HoursReading[]> {
  const rows = await db.rows<HoursReading>(
    'SELECT date, hours FROM hours_readings WHERE machine = $1',
    [machine],
  );
  return [...rows, ...jobs.flatMap(({ summary }) => summary.hours ?? [])].sort(byDate);
}

function isComplete(signed: JobLine['summary']['signed']): boolean {
  return signed !== null && !signed.incomplete;
}

/** What a machine's page shows besides its line of the yard. */
type MachinePage = Omit<MachineDetail, keyof MachineLine | 'lockPairs'>;

async function pageOf({ db, machine, sheet, jobs, readings }: Past): Promise<MachinePage> {
  const past = pastOf(sheet.document, await checksOf(db, machine.id), machine.meter);
  return {
    document: sheet.document,
    meter: machine.meter,
    readings: [...readings].reverse(),
    history: jobs.filter(({ summary }) => summary.signed),
    findings: findingsOf(past.sheet, past.histories, past.sheet.service?.everyHours ?? 0),
    lastLeft: await lastLeftOf(db, jobs),
    notes: notesOf(jobs),
  };
}
