import type { HookMessage, JobSummary, MachineLine } from '@longbar/core';
import { AboutMachineSchema, localDay, urgencyOf } from '@longbar/core';
import * as v from 'valibot';
import type { Database } from '../store/database';
import type { ToTell } from '../store/hookMessages';
import { knownAbouts } from '../store/hookMessages';
import type { HookRow } from '../store/hooks';
import { listMachines } from '../store/machines';
import { readShop } from '../store/shop';

type Signed = { id: string; machine: string; seal: string; at: string; summary: string } & Pick<
  Extract<HookMessage, { type: 'record.signed' }>['data']['job'],
  'by' | 'method' | 'sheetRevision'
>;

/**
 * What a program is to be told and was not: jobs signed since its last look, and checks that became
 * soon or overdue. Answers the serial that was looked up to as well.
 */
export async function whatHappened(
  db: Database,
  hook: HookRow,
  now: Date,
): Promise<{ looked: number; messages: ToTell[] }> {
  const today = localDay(now);
  const [lines, shop] = await Promise.all([listMachines(db, today), readShop(db)]);
  const timestamp = now.toISOString();
  const due = lines.flatMap((line): ToTell[] => {
    const urgency = urgencyOf(line.due, today, shop.soon);
    if (!line.due || (urgency !== 'soon' && urgency !== 'overdue')) return [];
    const data = { machine: briefly(line), urgency, hours: line.hours, due: line.due };
    // Told once until the next check is signed, and once more when it is overdue.
    const about = `${urgency} ${line.id} ${line.jobs.signed}`;
    return [{ about, message: { type: 'machine.due', timestamp, data } }];
  });
  const known = await knownAbouts(
    db,
    hook.id,
    due.map(({ about }) => about),
  );
  const { looked, signed } = await signedSince(db, hook.looked);
  const records = signed.flatMap((job): ToTell[] => {
    const line = lines.find(({ id }) => id === job.machine);
    return line ? [{ about: `signed ${job.id}`, message: recordOf(job, line, timestamp) }] : [];
  });
  return { looked, messages: [...records, ...due.filter(({ about }) => !known.has(about))] };
}

/** The jobs whose signature came after a serial, and the last serial there is. */
async function signedSince(
  db: Database,
  after: number,
): Promise<{ looked: number; signed: Signed[] }> {
  const [last] = await db.rows<{ serial: number | null }>(
    'SELECT max(serial) AS serial FROM events',
  );
  const looked = last?.serial ?? 0;
  const signed = await db.rows<Signed>(
    `SELECT jobs.id, jobs.machine, jobs.seal, jobs.at, by, method, sheetRevision, summary
     FROM events JOIN jobs ON jobs.id = events.job JOIN job_reads ON job_reads.job = jobs.id
     WHERE events.serial > $1 AND events.serial <= $2 AND late = 0 AND seal IS NOT NULL
       AND json_valid(body) AND json_extract(CAST(body AS TEXT), '$.type') = 'job.signed'
     ORDER BY events.serial`,
    [after, looked],
  );
  return { looked, signed };
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
