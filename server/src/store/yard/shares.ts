import * as v from 'valibot';
import { randomUUID } from 'node:crypto';
import type { Share } from '@longbar/core';
import { RequestError } from '../../requestError';
import { jobRow } from './jobRow';
import type { Database } from '../sql/database';
import { hashOf, newSecret } from './phones';

const DAY = 86_400_000;

/** Makes a link by which anybody reads the record of a signed job, until it ends. */
export async function shareRecord(
  db: Database,
  job: string,
  { by, days, now }: { by: string; days: number; now: Date },
): Promise<{ secret: string; share: Share }> {
  const [id, secret] = [randomUUID(), newSecret()];
  const until = new Date(now.getTime() + days * DAY).toISOString();
  await db.write(async (transaction) => {
    const { seal } = await jobRow(db, job, transaction);
    if (seal === null) throw new RequestError(409, 'Only a signed record is shared.');
    await db.run(
      `INSERT INTO shares (shop, id, secretHash, job, by, until)
       VALUES ($shop, $1, $2, $3, $4, $5)`,
      [id, hashOf(secret), job, by, until],
      transaction,
    );
  });
  return { secret, share: { id, by, until } };
}

/** The links to a record that have not ended. */
export async function sharesOf(db: Database, job: string, now: Date): Promise<Share[]> {
  return db.rows(
    v.object({ id: v.string(), by: v.string(), until: v.string() }),
    `SELECT id, by, until FROM shares
     WHERE shop = $shop AND job = $1 AND endedAt IS NULL AND until > $2 ORDER BY until, id`,
    [job, now.toISOString()],
  );
}

/** Takes a link back. Throws RequestError 404. */
export async function endShare(db: Database, job: string, id: string, now: Date): Promise<void> {
  await db.write(async (transaction) => {
    const known =
      'SELECT 1 FROM shares WHERE shop = $shop AND id = $1 AND job = $2 AND endedAt IS NULL';
    if (!(await db.some(known, [id, job], transaction)))
      throw new RequestError(404, 'There is no such link.');
    await db.run(
      'UPDATE shares SET endedAt = $1 WHERE shop = $shop AND id = $2',
      [now.toISOString(), id],
      transaction,
    );
  });
}

/** The job whose record a link reads. Throws RequestError 404 for one that ended or never was. */
export async function sharedJob(db: Database, secret: string, now: Date): Promise<string> {
  const [share] = await db.rows(
    v.object({ job: v.string() }),
    `SELECT job FROM shares
     WHERE shop = $shop AND secretHash = $1 AND endedAt IS NULL AND until > $2`,
    [hashOf(secret), now.toISOString()],
  );
  if (!share) throw new RequestError(404, 'This link has ended. Ask the shop for another.');
  return share.job;
}
