import * as v from 'valibot';
import type { JobContext } from '@longbar/core';
import { meterForJob } from '@longbar/core';
import { hoursRightOf } from '../yard/hoursRight';
import { headOf } from '../journal/jobHead';
import { jobRow } from '../yard/jobRow';
import type { Database } from '../sql/database';
import { hourMeterOf } from '../yard/hourMeter';
import { readSheet, tellable } from '../yard/sheets';
import { readShop } from '../yard/shop';
import { ratesOn } from './drift';
import { lastLeftOf, notesOf } from './history';
import { jobLines, lockPairsOn } from './jobReads';
import { settle } from './readTables';

/** A job with all that working on it needs: its head, its sheet revision and the shop. */
export async function readJob(db: Database, id: string, today: string): Promise<JobContext> {
  const job = await jobRow(db, id);
  await settle(db, today);
  const [sheet, machine, shop, earlier, lockPairs, rates, hoursRight, late] = await Promise.all([
    readSheet(db, job.sheet, job.sheetRevision),
    db.tables.machines.findByPk(job.machine),
    readShop(db),
    jobLines(db, job.machine, job.at),
    lockPairsOn(db, job.sheet),
    ratesOn(db, job.machine),
    hoursRightOf(db, id),
    db.rows(
      v.object({ id: v.string() }),
      'SELECT id FROM events WHERE shop = $shop AND job = $1 AND late',
      [id],
    ),
  ]);
  if (!sheet || !machine) throw new Error(`Job ${id} has lost its sheet or its machine.`);
  const known = await hourMeterOf(db, machine.get(), earlier);
  return {
    head: headOf(job),
    machineName: machine.get().name,
    sheet: tellable(sheet).document,
    shop,
    lastLeft: await lastLeftOf(db, earlier),
    hourMeter: meterForJob(known.readings, known.meter),
    notes: notesOf(earlier),
    lockPairs: JSON.parse(lockPairs),
    ...(rates && { rates }),
    ...(hoursRight !== undefined && { hoursRight }),
    ...(late.length > 0 && { late: late.map((event) => event.id) }),
  };
}
