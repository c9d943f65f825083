import * as v from 'valibot';
import type { Found } from '@longbar/core';
import type { Database } from '../sql/database';
import { settle } from './readTables';

const MOST = 40;

/** The first of two where a condition holds, else nothing. */
const onlyIf = (condition: string, value: string) => `CASE WHEN ${condition} THEN ${value} END`;

/** Machines by their name, engine, place, owner or serial number, and what was written in their jobs, newest first. */
export async function search(db: Database, words: string, today: string): Promise<Found[]> {
  await settle(db, today);
  const like = `%${words.replace(/[\\%_]/g, '\\$&')}%`;
  const { field } = db.dialect;
  /** A column that holds what is looked for. */
  const has = (column: string) => db.dialect.contains(column, '$1');
  const [machines, written] = await Promise.all([
    db.rows(
      v.object({ machine: v.string(), machineName: v.string(), says: v.string() }),
      `SELECT machine, machineName, concat_ws(', ', engine, ${onlyIf(has('place'), 'place')},
         ${onlyIf(has('owner'), 'owner')}, ${onlyIf(has('serial'), 'serial')},
         ${onlyIf('retiredAt IS NOT NULL', "'retired'")}) AS says
       FROM (SELECT machine, name AS machineName, retiredAt, ${field('line', 'engine')} AS engine,
           ${field('line', 'place')} AS place, ${field('line', 'owner')} AS owner,
           ${field('line', 'serial')} AS serial
         FROM machine_reads JOIN machines ON machines.shop = machine_reads.shop AND id = machine
         WHERE machine_reads.shop = $shop) AS known
       WHERE ${['machineName', 'engine', 'place', 'owner', 'serial'].map(has).join(' OR ')}
       ORDER BY machineName, machine LIMIT ${MOST}`,
      [like],
    ),
    db.rows(
      v.object({
        machine: v.string(),
        machineName: v.string(),
        job: v.string(),
        at: v.string(),
        says: v.string(),
      }),
      `SELECT machine, name AS machineName, job_words.job, job_words.at, says FROM job_words
       JOIN job_reads ON job_reads.shop = job_words.shop AND job_reads.job = job_words.job
       JOIN machines ON machines.shop = job_words.shop AND id = machine
       WHERE job_words.shop = $shop AND ${has('says')}
       ORDER BY job_words.at DESC, job_words.job, says LIMIT ${MOST}`,
      [like],
    ),
  ]);
  return [
    ...machines.map((found): Found => ({ kind: 'machine', ...found })),
    ...written.map((found): Found => ({ kind: 'words', ...found })),
  ].slice(0, MOST);
}
