import type { Found } from '@longbar/core';
import type { Database } from '../sql/database';
import { settle } from './readTables';

const MOST = 40;

/** Machines by their name, engine, place, owner or serial number, and what was written in their jobs, newest first. */
export async function search(db: Database, words: string, today: string): Promise<Found[]> {
  await settle(db, today);
  const like = `%${words.replace(/[\\%_]/g, '\\$&')}%`;
  const [machines, written] = await Promise.all([
    db.rows<{ machine: string; machineName: string; says: string }>(
      `SELECT machine, machineName, concat_ws(', ', engine, iif(place LIKE $1 ESCAPE '\\', place, NULL),
         iif(owner LIKE $1 ESCAPE '\\', owner, NULL), iif(serial LIKE $1 ESCAPE '\\', serial, NULL),
         iif(retiredAt IS NULL, NULL, 'retired')) AS says
       FROM (SELECT machine, name AS machineName, retiredAt, json_extract(line, '$.engine') AS engine,
           json_extract(line, '$.place') AS place, json_extract(line, '$.owner') AS owner,
           json_extract(line, '$.serial') AS serial
         FROM machine_reads JOIN machines ON id = machine)
       WHERE machineName LIKE $1 ESCAPE '\\' OR engine LIKE $1 ESCAPE '\\'
         OR place LIKE $1 ESCAPE '\\' OR owner LIKE $1 ESCAPE '\\' OR serial LIKE $1 ESCAPE '\\'
       ORDER BY machineName LIMIT ${MOST}`,
      [like],
    ),
    db.rows<{ machine: string; machineName: string; job: string; at: string; says: string }>(
      `SELECT machine, name AS machineName, job_words.job, job_words.at, says FROM job_words
       JOIN job_reads ON job_reads.job = job_words.job JOIN machines ON id = machine
       WHERE says LIKE $1 ESCAPE '\\' ORDER BY job_words.at DESC LIMIT ${MOST}`,
      [like],
    ),
  ]);
  return [
    ...machines.map((found): Found => ({ kind: 'machine', ...found })),
    ...written.map((found): Found => ({ kind: 'words', ...found })),
  ].slice(0, MOST);
}
