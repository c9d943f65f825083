import type { KnownHours } from '@longbar/core';
import type { Database } from '../sql/database';
import { hourMeterOf } from '../yard/hourMeter';
import { jobLines } from '../derived/jobReads';
import type { MachineRow } from '../sql/tables';

/** What is known of the hours of the machines in the yard, or of those that are wanted. */
export async function knownHours(
  db: Database,
  wanted: (machine: MachineRow) => boolean = () => true,
): Promise<(KnownHours & { serial: string })[]> {
  const machines = await db.tables.machines.findAll({
    where: { retiredAt: null },
    order: ['name', 'id'],
  });
  return Promise.all(
    machines
      .map((row) => row.get())
      .filter(wanted)
      .map(async (machine) => {
        const { id, name, about } = machine;
        const known = await hourMeterOf(db, machine, await jobLines(db, id));
        return { id, name, serial: about?.serial ?? '', ...known };
      }),
  );
}
