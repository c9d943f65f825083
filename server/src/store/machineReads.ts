import type { Finding, HoursReading, JobCheck, JobLine, MachineLine } from '@longbar/core';
import { findingsOf, nextDue, pastOf } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { byDate } from './byDate';
import type { Database } from './database';
import { recheckOf } from './drift';
import { checkTexts, jobLines } from './jobReads';
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
    await db.write(async (transaction) => {
      for (const each of stale) await settleMachine(db, each, today, transaction);
    });
    done += stale.length;
    said(done);
  }
}

async function settleMachine(
  db: Database,
  { machine, day }: Stale,
  today: string,
  transaction: Transaction,
): Promise<void> {
  const row = (await db.tables.machines.findByPk(machine))?.get();
  if (!row) throw new Error(`Machine ${machine} is gone.`);
  const line = await lineOf(db, row, today);
  await db.run(
    'UPDATE machine_reads SET day = $1, line = $2 WHERE machine = $3',
    [today, JSON.stringify(line), machine],
    transaction,
  );
  // What was found stays as it is until something has changed; days alone change nothing of it.
  if (day !== '') return;
  await db.run(
    'UPDATE machine_reads SET findings = $1 WHERE machine = $2',
    [JSON.stringify(await findingsFor(db, row)), machine],
    transaction,
  );
}

async function lineOf(db: Database, machine: MachineRow, today: string): Promise<MachineLine> {
  const [sheet, jobs] = await Promise.all([readSheet(db, machine.sheet), jobLines(db, machine.id)]);
  if (!sheet) throw new Error(`Machine ${machine.id} has no sheet ${machine.sheet}.`);
  const readings = await readingsOf(db, machine.id, jobs);
  // An incomplete job is on record, but the check it was to be is still due.
  const signed = jobs.filter(({ summary }) => summary.hours && isComplete(summary.signed));
  const { baseline, meter } = machine;
  const last = signed[0]?.summary.hours ?? baseline.last;
  const { service } = sheet.document;
  const breakInDone = baseline.breakInDone || signed.length > 0;
  const due = nextDue({ service, meter, last, breakInDone }, readings, today) ?? null;
  return {
    id: machine.id,
    name: machine.name,
    engine: sheet.document.name,
    sheet: { id: sheet.id, revision: sheet.revision },
    hours: readings[readings.length - 1] ?? last,
    due,
    interval: (due?.by === 'break-in' ? service?.breakInHours : service?.everyHours) ?? null,
    recheck: await recheckOf(db, machine, jobs),
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

async function findingsFor(db: Database, { id, sheet, meter }: MachineRow): Promise<Finding[]> {
  const newest = await readSheet(db, sheet);
  if (!newest) throw new Error(`Machine ${id} has no sheet ${sheet}.`);
  const checks = (await checkTexts(db, id)).map((text) => JSON.parse(text) as JobCheck);
  const past = pastOf(newest.document, checks, meter);
  return findingsOf(past.sheet, past.histories, past.sheet.service?.everyHours ?? 0);
}
