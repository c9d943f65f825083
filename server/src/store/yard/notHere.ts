import * as v from 'valibot';
import { RequestError } from '../../requestError';
import type { Transaction } from 'sequelize';
import type { Database } from '../sql/database';
import { readShop } from './shop';

/**
 * Why a shop has no such machine or job: none of it, or its company moved the machine to another
 * since, where whoever still holds entries of it goes with them. To be thrown, with 404.
 */
export async function notHere(
  db: Database,
  what: 'machine' | 'job',
  id: string,
  transaction?: Transaction,
): Promise<RequestError> {
  const [row] = await db.rows(
    v.object({ shop: v.number() }),
    `SELECT theirs.shop FROM ${what}s AS it
     JOIN identity AS theirs ON theirs.shop = it.shop
     JOIN identity AS ours ON ours.company = theirs.company
     WHERE ours.shop = $shop AND it.id = $1`,
    [id],
    transaction,
  );
  if (!row) return new RequestError(404, `There is no such ${what}.`);
  const { name } = await readShop(db.of(row.shop), transaction);
  const moved = what === 'machine' ? 'This machine' : 'The machine of this job';
  return new RequestError(404, `${moved} was moved to ${name}. Its entries are taken there only.`);
}
