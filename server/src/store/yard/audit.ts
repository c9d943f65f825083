import type { Audited, AuditLine } from '@longbar/core';
import { AuditSchema, ignore } from '@longbar/core';
import * as v from 'valibot';
import type { Database } from '../sql/database';

/** So much is kept, and no more however often somebody tries a code. */
const KEPT = 10_000;
/** So much is told. */
const TOLD = 1000;

export type Noted = {
  what: Audited;
  /** Their name as it is now; null where it is done at the server's own machine. */
  who: string | null;
  about?: string;
};

/**
 * Notes what was done. It is done by then: where it cannot be noted, as on a disk that is full
 * from here on, nothing of it is taken back.
 */
export async function noteAudit(db: Database, { what, who, about = '' }: Noted): Promise<void> {
  await db
    .write(async (transaction) => {
      await db.run(
        'INSERT INTO audit (shop, at, what, who, about) VALUES ($shop, $1, $2, $3, $4)',
        [new Date().toISOString(), what, who, about],
        transaction,
      );
      await db.run(
        `DELETE FROM audit WHERE shop = $shop AND serial <= (SELECT serial FROM audit
           WHERE shop = $shop ORDER BY serial DESC LIMIT 1 OFFSET ${KEPT})`,
        [],
        transaction,
      );
    })
    .catch(ignore('what was done is done, noted or not'));
}

/** What was noted, the newest first, as far as it can be read. */
export async function readAudit(db: Database): Promise<AuditLine[]> {
  const lines = await db.rows(
    v.unknown(),
    `SELECT serial, at, what, who, about FROM audit WHERE shop = $shop
     ORDER BY serial DESC LIMIT ${TOLD}`,
  );
  return lines.filter((line): line is AuditLine => v.is(AuditSchema.item, line));
}
