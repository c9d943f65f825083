import type { Transaction } from 'sequelize';
import type { Database } from '../sql/database';
import type { JobRow } from '../sql/tables';
import { notHere } from './notHere';

/** The row of a job. Throws RequestError 404, which says where its company moved it, if it did. */
export async function jobRow(db: Database, id: string, transaction?: Transaction): Promise<JobRow> {
  const row = await db.tables.jobs.findByPk(id, transaction ? { transaction } : {});
  if (!row) throw await notHere(db, 'job', id, transaction);
  return row.get();
}
