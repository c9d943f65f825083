import type { JobHead } from '@longbar/core';
import type { JobRow } from '../sql/tables';

/** What a job was begun with, of its row. */
export function headOf({ id, machine, method, sheetRevision, at, by }: JobRow): JobHead {
  return { id, machine, method, sheetRevision, at, by };
}
