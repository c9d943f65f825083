import type { KnownHours } from '@longbar/core';
import type { Database } from './database';
import { hourMeterOf } from './hourMeter';
import { jobLines } from './jobReads';

/** What is known of the hours of every machine in the yard. */
export async function knownHours(db: Database): Promise<KnownHours[]> {
  const machines = await db.tables.machines.findAll({
    where: { retiredAt: null },
    order: [['name', 'ASC']],
  });
  return Promise.all(
    machines.map(async (row) => {
      const machine = row.get();
      const { id, name } = machine;
      return { id, name, ...(await hourMeterOf(db, machine, await jobLines(db, id))) };
    }),
  );
}
