import * as v from 'valibot';
import type { Transaction } from 'sequelize';
import type { Database } from '../sql/database';

/** The hours of a job as they were put right once it was signed; undefined where they never were. */
export async function hoursRightOf(
  db: Database,
  job: string,
  transaction?: Transaction,
): Promise<number | undefined> {
  const [right] = await db.rows(
    v.object({ hours: v.number() }),
    'SELECT hours FROM hours_readings WHERE shop = $shop AND job = $1',
    [job],
    transaction,
  );
  return right?.hours;
}
