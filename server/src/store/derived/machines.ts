import * as v from 'valibot';
import type { MachineLine } from '@longbar/core';
import { RequestError } from '../../requestError';
import type { Database } from '../sql/database';
import { checkTexts } from './jobReads';
import { settle } from './readTables';
import { whySetAside } from '../setAside';
import { machineRow } from '../yard/machineRow';
import { notHere } from '../yard/notHere';

/**
 * Every machine of the yard, its hours and what is due on `today`, by name, as JSON; or those
 * that are retired.
 */
export async function machineLines(db: Database, today: string, retired = false): Promise<string> {
  await settle(db, today);
  const rows = await db.rows(
    v.object({ line: v.string() }),
    `SELECT line FROM machine_reads JOIN machines ON machines.shop = machine_reads.shop AND id = machine
     WHERE machine_reads.shop = $shop AND line <> '{}'
       AND retiredAt IS ${retired ? 'NOT NULL' : 'NULL'} ORDER BY name, machine`,
  );
  return `[${rows.map(({ line }) => line).join(',')}]`;
}

/** Every machine of the yard, its hours and what is due on `today`, by name. */
export async function listMachines(db: Database, today: string): Promise<MachineLine[]> {
  return JSON.parse(await machineLines(db, today));
}

/** One machine with its sheet, readings and jobs, newest first, as JSON. */
export async function machineDetail(db: Database, id: string, today: string): Promise<string> {
  await settle(db, today);
  const [row] = await db.rows(
    v.object({ line: v.string(), page: v.string(), lockPairs: v.string() }),
    `SELECT line, page, COALESCE(lockPairs, '[]') AS lockPairs FROM machine_reads
     JOIN machines ON machines.shop = machine_reads.shop AND id = machine
     LEFT JOIN sheet_reads ON sheet_reads.shop = machines.shop AND sheet_reads.sheet = machines.sheet
     WHERE machine_reads.shop = $shop AND machine = $1`,
    [id],
  );
  if (!row) throw await notHere(db, 'machine', id);
  if (row.line === '{}' || row.page === '{}') {
    const why = await whySetAside(db, { kind: 'machine', id });
    throw new RequestError(409, `What is kept of this machine cannot be worked out: ${why}`);
  }
  const parts = [row.line, row.page].map((object) => object.slice(1, -1));
  return `{${parts.join(',')},"lockPairs":${row.lockPairs}}`;
}

/** The signed checks of one machine, newest first, as JSON. */
export async function machineChecks(db: Database, id: string, today: string): Promise<string> {
  await settle(db, today);
  const checks = await checkTexts(db, id);
  // One without checks may be none at all; looking for it by itself costs more than its checks.
  if (checks.length === 0) await machineRow(db, id);
  return `[${checks.join(',')}]`;
}
