import type { Database } from '../sql/database';
import type { MachineRow } from '../sql/tables';
import { notHere } from './notHere';

/** The row of a machine. Throws RequestError 404, which says where its company moved it, if it did. */
export async function machineRow(db: Database, id: string): Promise<MachineRow> {
  const row = await db.tables.machines.findByPk(id);
  if (!row) throw await notHere(db, 'machine', id);
  return row.get();
}
