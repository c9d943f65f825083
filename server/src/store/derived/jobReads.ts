import * as v from 'valibot';
import type { JobCheck, JobEvent, JobLine, JobSummary } from '@longbar/core';
import { BARRING_METHODS, formatDay } from '@longbar/core';
import type { Transaction } from 'sequelize';
import type { Database, OfShop } from '../sql/database';
import { truth } from '../sql/columns';
import type { Dialect } from '../sql/dialect';
import { checksChanged, jobChanged } from '../stale';
import { headOf } from '../journal/jobHead';
import { hoursRightOf } from '../yard/hoursRight';
import { unpack } from '../packedAnswers';
import { orSetAside } from '../setAside';
import { readSheet } from '../yard/sheets';
import { readShop } from '../yard/shop';
import type { JobRead } from '../../jobRead/summary';

/** So many jobs are worked out in one transaction. */
const AT_ONCE = 50;

/** Works out what is read of each job whose journal has grown. Answers how many. */
export async function settleJobs(
  db: Database,
  said: (done: number) => void = () => undefined,
): Promise<number> {
  for (let done = 0; ;) {
    const stale = await db.rows(
      StaleJobSchema,
      `SELECT job, job_reads.at, coalesce(name, 'a machine that is gone') AS name
       FROM job_reads
       LEFT JOIN machines ON machines.shop = job_reads.shop AND machines.id = machine
       WHERE job_reads.shop = $shop AND stale = 1 LIMIT ${AT_ONCE}`,
    );
    if (stale.length === 0) return done;
    await db.derive(async (transaction) => {
      for (const thing of stale) await settleOrSetAside(db, thing, transaction);
    });
    done += stale.length;
    said(done);
  }
}

const StaleJobSchema = v.object({ job: v.string(), at: v.string(), name: v.string() });
type StaleJob = v.InferOutput<typeof StaleJobSchema>;

/** A job that cannot be worked out is left as it was read before, until its journal grows. */
function settleOrSetAside(
  db: Database,
  { job, at, name }: StaleJob,
  transaction: Transaction,
): Promise<void> {
  return orSetAside(
    db,
    { kind: 'job', id: job, name: `The job at ${name} of ${formatDay(at)}` },
    transaction,
    () => settleJob(db, job, transaction),
    () =>
      db.run('UPDATE job_reads SET stale = 2 WHERE shop = $shop AND job = $1', [job], transaction),
  );
}

async function settleJob(db: Database, id: string, transaction: Transaction): Promise<void> {
  const row = (await db.tables.jobs.findByPk(id, { transaction }))?.get();
  const sheet = row && (await readSheet(db, row.sheet, row.sheetRevision));
  if (!sheet) throw new Error(`Job ${id} has lost its sheet.`);
  const journal = await db.rows(
    v.object({ body: v.string(), receivedAt: v.string() }),
    `SELECT CAST(body AS TEXT) AS body, receivedAt FROM events
     WHERE shop = $shop AND job = $1 AND NOT late ORDER BY serial`,
    [id],
    transaction,
  );
  const events = journal.map(({ body }): JobEvent => JSON.parse(body));
  // By the last that came, not by the clock: worked out again it is the same.
  const now = journal.at(-1)?.receivedAt ?? row.at;
  const shop = await readShop(db);
  const read = await db.summarise(headOf(row), sheet.document, shop, events, now);
  const { words } = read;
  const [summary, check] = await hoursPutRight(db, id, read, transaction);
  const texts = [summary, check].map((each) => JSON.stringify(each));
  const [before] = await db.rows(
    v.object({ signed: truth, check: v.string() }),
    `SELECT ${db.dialect.field('summary', 'signed')} IS NOT NULL AS signed, "check"
     FROM job_reads WHERE shop = $shop AND job = $1`,
    [id],
    transaction,
  );
  await db.run(
    `UPDATE job_reads SET stale = 0, summary = $1, "check" = $2 WHERE shop = $shop AND job = $3`,
    [...texts, id],
    transaction,
  );
  await db.run('DELETE FROM job_words WHERE shop = $shop AND job = $1', [id], transaction);
  const cells = words.map(({ at, says }) => [at, says]);
  await db.run(addWords(db.dialect), [id, JSON.stringify(cells)], transaction);
  // Whoever wrote it said only that the journal grew: what rests on it is old from here on, and
  // not before, or it would be taken for fresh while this was still to come.
  await jobChanged(db, row, transaction);
  const another = !before?.signed || before.check !== texts[1];
  if (summary.signed && another) await checksChanged(db, row.machine, transaction);
}

/** What was read of a job, by the hours as they were put right afterwards, if they were. */
async function hoursPutRight(
  db: Database,
  job: string,
  { summary, check }: JobRead,
  transaction: Transaction,
): Promise<[JobSummary, JobCheck]> {
  const right = await hoursRightOf(db, job, transaction);
  if (right === undefined || !summary.hours) return [summary, check];
  const hours = { ...summary.hours, hours: right };
  return [
    { ...summary, hours },
    { ...check, hours },
  ];
}

const addWords = ({ cell, elements }: Dialect): OfShop =>
  `INSERT INTO job_words (shop, job, at, says)
   SELECT $shop, $1, ${cell(0)}, ${cell(1)} FROM ${elements('$2')}`;

/**
 * The jobs of a machine, newest first; before an instant, where one is given. One that began
 * this very moment and is not worked out yet is not among them. Throws where one cannot be read.
 */
export async function jobLines(db: Database, machine: string, before = '9'): Promise<JobLine[]> {
  const rows = await db.rows(
    LineSchema,
    `SELECT id, jobs.at, by, method, sheetRevision, summary FROM job_reads
     JOIN jobs ON jobs.shop = job_reads.shop AND jobs.id = job
     WHERE job_reads.shop = $shop AND job_reads.machine = $1 AND job_reads.at < $2 AND summary <> '{}'
     ORDER BY job_reads.at DESC, job`,
    [machine, before],
  );
  return rows.map((row) => {
    const summary: JobSummary = JSON.parse(row.summary);
    return { ...row, summary };
  });
}

const LineSchema = v.object({
  id: v.string(),
  at: v.string(),
  by: v.string(),
  method: v.picklist(BARRING_METHODS, 'One of its jobs is by no method.'),
  sheetRevision: v.number(),
  summary: v.string(),
});

/** What these jobs measured, as text, newest first: as it is kept, for it is much. */
export async function checkTexts(db: Database, machine: string): Promise<string[]> {
  const rows = await db.rows(
    v.object({ check: v.string() }),
    `SELECT "check" FROM job_reads
     WHERE shop = $shop AND machine = $1 AND ${db.dialect.field('summary', 'signed')} IS NOT NULL
     ORDER BY at DESC, job`,
    [machine],
  );
  return rows.map(({ check }) => check);
}

/** What these jobs measured, newest first. */
export async function checksOf(db: Database, machine: string): Promise<JobCheck[]> {
  return (await checkTexts(db, machine)).map((text): JobCheck => JSON.parse(text));
}

/** What one job measured. */
export async function checkOf(db: Database, job: string): Promise<JobCheck> {
  const [row] = await db.rows(
    v.object({ check: v.string() }),
    'SELECT "check" FROM job_reads WHERE shop = $shop AND job = $1',
    [job],
  );
  if (!row) throw new Error(`Job ${job} is not in the tables that are read.`);
  return JSON.parse(row.check);
}

/** How many jobs back one's own hands are told from. */
const RECENT_JOBS = 20;

/** Gathers anew what locking did in the last jobs on each type of engine that was worked on. */
export async function settleSheets(db: Database): Promise<void> {
  const stale = await db.rows(
    v.object({ sheet: v.string(), lockPairs: v.string() }),
    'SELECT sheet, lockPairs FROM sheet_reads WHERE shop = $shop AND stale = 1',
  );
  for (const { sheet, lockPairs: before } of stale) {
    await db.derive(async (transaction) => {
      const rows = await db.rows(
        v.object({ pairs: v.nullable(v.string()) }),
        `SELECT ${db.dialect.field('"check"', 'lockPairs')} AS pairs
         FROM jobs JOIN job_reads ON job_reads.shop = jobs.shop AND job = id
         WHERE jobs.shop = $shop AND sheet = $1 ORDER BY jobs.at DESC, job LIMIT ${RECENT_JOBS}`,
        [sheet],
        transaction,
      );
      const pairs = rows.flatMap((row): JobCheck['lockPairs'] => JSON.parse(row.pairs ?? '[]'));
      await db.run(
        'UPDATE sheet_reads SET stale = 0, lockPairs = $1 WHERE shop = $shop AND sheet = $2',
        [JSON.stringify(pairs), sheet],
        transaction,
      );
      if (before !== JSON.stringify(pairs)) unpack(db);
    });
  }
}

/** What locking did in the last jobs on engines of one type, by person, as JSON. */
export async function lockPairsOn(db: Database, sheet: string): Promise<string> {
  const [row] = await db.rows(
    v.object({ lockPairs: v.string() }),
    'SELECT lockPairs FROM sheet_reads WHERE shop = $shop AND sheet = $1',
    [sheet],
  );
  return row?.lockPairs ?? '[]';
}
