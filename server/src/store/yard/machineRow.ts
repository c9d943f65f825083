import { RequestError } from '../../requestError';
import type { Database } from '../sql/database';
import type { MachineRow } from '../sql/tables';

/** The row of a machine. Throws RequestError 404 where there is none. */
export async function machineRow(db: Database, id: string): Promise<MachineRow> {
  const row = await db.tables.machines.findByPk(id);
  if (!row) throw new RequestError(404, 'There is no such machine.');
  return row.get();
}
