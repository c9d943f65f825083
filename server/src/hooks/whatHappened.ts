import type { HookMessage, JobSummary, MachineLine, Shop } from '@longbar/core';
import { AboutMachineSchema, BARRING_METHODS, localDay, urgencyOf } from '@longbar/core';
import * as v from 'valibot';
import type { Database } from '../store/sql/database';
import type { ToTell } from '../store/yard/hookMessages';
import { knownAbouts, untoldJobs } from '../store/yard/hookMessages';
import type { HookRow } from '../store/yard/hooks';
import { listMachines, machineLines } from '../store/derived/machines';
import { readShop } from '../store/yard/shop';

const SignedSchema = v.object({
  id: v.string(),
  machine: v.string(),
  seal: v.string(),
  at: v.string(),
  summary: v.string(),
  by: v.string(),
  method: v.picklist(BARRING_METHODS),
  sheetRevision: v.number(),
});
type Signed = v.InferOutput<typeof SignedSchema>;

/**
 * What a program is to be told and was not: jobs that were signed, and checks that became soon or
 * overdue. A signed job that cannot be read yet waits until it can.
 */
export async function whatHappened(db: Database, hook: HookRow, now: Date): Promise<ToTell[]> {
  const today = localDay(now);
  // Asked first: what was signed before the yard is read is worked out with it.
  const untold = await untoldJobs(db, hook.id);
  const [lines, shop] = await Promise.all([listMachines(db, today), readShop(db)]);
  const records = await recordsOf(db, untold, lines, now);
  const due = dueOf(lines, shop, now);
  const known = await knownAbouts(
    db,
    hook.id,
    due.map(({ about }) => about),
  );
  return [...records, ...due.filter(({ about }) => !known.has(about))];
}

/** The checks that are soon or overdue: told once until the next is signed, and once more overdue. */
function dueOf(lines: readonly MachineLine[], { soon }: Shop, now: Date): ToTell[] {
  const timestamp = now.toISOString();
  return lines.flatMap((line): ToTell[] => {
    const urgency = urgencyOf(line.due, localDay(now), soon);
    if (!line.due || (urgency !== 'soon' && urgency !== 'overdue')) return [];
    const data = { machine: briefly(line), urgency, hours: line.hours, due: line.due };
    const about = `${urgency} ${line.id} ${line.jobs.signed}`;
    return [{ about, message: { type: 'machine.due', timestamp, data } }];
  });
}

async function recordsOf(
  db: Database,
  untold: readonly string[],
  lines: readonly MachineLine[],
  now: Date,
): Promise<ToTell[]> {
  if (untold.length === 0) return [];
  const signed = await db.rows(
    SignedSchema,
    `SELECT jobs.id, jobs.machine, jobs.seal, jobs.at, by, method, sheetRevision, summary
     FROM jobs JOIN job_reads ON job_reads.shop = jobs.shop AND job = jobs.id
     WHERE jobs.shop = $shop AND jobs.id ${db.dialect.inList('$1')} AND seal IS NOT NULL
       AND ${db.dialect.field('summary', 'signed')} IS NOT NULL
     ORDER BY jobs.at, jobs.id`,
    [JSON.stringify(untold)],
  );
  // A machine may have left the yard since.
  const left: MachineLine[] = JSON.parse(await machineLines(db, localDay(now), true));
  const all = [...lines, ...left];
  return signed.flatMap((job): ToTell[] => {
    const line = all.find(({ id }) => id === job.machine);
    if (!line) return [];
    const message = recordOf(job, line, now.toISOString());
    return [{ about: `signed ${job.id}`, message, job: job.id }];
  });
}

function recordOf(job: Signed, line: MachineLine, timestamp: string): HookMessage {
  const { id, at, by, method, sheetRevision, seal } = job;
  const summary: JobSummary = JSON.parse(job.summary);
  const told = { id, at, by, method, sheetRevision, summary };
  const data = { machine: briefly(line), job: told, seal, due: line.due };
  return { type: 'record.signed', timestamp, data };
}

function briefly(line: MachineLine) {
  const { id, name, engine } = line;
  return { id, name, engine, ...v.parse(AboutMachineSchema, line) };
}
