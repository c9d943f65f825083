import * as v from 'valibot';
import type { JobLine, MachineBasis, MachineDetail, MachineLine, MeterChange } from '@longbar/core';
import { findingsOf, machineLineOf, pastOf } from '@longbar/core';
import type { Transaction } from 'sequelize';
import type { Database } from '../sql/database';
import { driftOf } from './drift';
import { lastLeftOf, notesOf } from './history';
import { hourMeterOf, readingsOnRecord } from '../yard/hourMeter';
import { checksOf, jobLines } from './jobReads';
import { unpack } from '../packedAnswers';
import { orSetAside } from '../setAside';
import { readSheet, tellable } from '../yard/sheets';
import type { MachineRow } from '../sql/tables';

/** So many machines are worked out in one transaction: a phone waits no longer for its own. */
const AT_ONCE = 20;

const StaleSchema = v.object({ machine: v.string(), day: v.string(), name: v.string() });
type Stale = v.InferOutput<typeof StaleSchema>;

/** Works out what is read of each machine that has changed, or was worked out another day. */
export async function settleMachines(
  db: Database,
  today: string,
  said: (done: number) => void = () => undefined,
): Promise<number> {
  for (let done = 0; ;) {
    const stale = await db.rows(
      StaleSchema,
      `SELECT machine, day, name FROM machine_reads
       JOIN machines ON machines.shop = machine_reads.shop AND id = machine
       WHERE machine_reads.shop = $shop AND day <> $1 LIMIT ${AT_ONCE}`,
      [today],
    );
    if (stale.length === 0) return done;
    await db.derive(async (transaction) => {
      for (const each of stale) {
        const { machine: id, name } = each;
        await orSetAside(
          db,
          { kind: 'machine', id, name },
          transaction,
          () => settleMachine(db, each, today, transaction),
          () => leaveOut(db, id, today, transaction),
        );
      }
    });
    done += stale.length;
    said(done);
  }
}

/** A machine that cannot be worked out is not in the lists until something changes of it. */
async function leaveOut(
  db: Database,
  id: string,
  today: string,
  transaction: Transaction,
): Promise<void> {
  await db.run(
    "UPDATE machine_reads SET day = $1, line = '{}' WHERE shop = $shop AND machine = $2",
    [today, id],
    transaction,
  );
  unpack(db, 'yard', 'yard retired', `machine ${id}`, `checks ${id}`);
}

async function settleMachine(
  db: Database,
  { machine: id, day }: Stale,
  today: string,
  transaction: Transaction,
): Promise<void> {
  const machine = (await db.tables.machines.findByPk(id, { transaction }))?.get();
  const jobs = await jobLines(db, id);
  const { readings, meter } = machine
    ? await hourMeterOf(db, machine, jobs)
    : { readings: [], meter: [] };
  const basis = machine && (await basisOf(db, machine, meter));
  if (!basis) throw new Error(`Machine ${id} is gone, or its sheet is.`);
  const { rates, ...drift } = await driftOf(db, basis, jobs, readings.at(-1));
  const past = { jobs, readings, ...drift };
  await db.run(
    'UPDATE machine_reads SET day = $1, line = $2 WHERE shop = $shop AND machine = $3',
    [today, JSON.stringify(machineLineOf(basis, past, today)), id],
    transaction,
  );
  unpack(db, 'yard', 'yard retired', `machine ${id}`);
  // The page stays as it is until something has changed; days alone change nothing of it.
  if (day !== '') return;
  unpack(db, `checks ${id}`);
  await db.run(
    'UPDATE machine_reads SET page = $1 WHERE shop = $shop AND machine = $2',
    [JSON.stringify({ ...(await pageOf(db, basis, jobs)), ...(rates && { rates }) }), id],
    transaction,
  );
}

/** A machine with the sheet it goes by; undefined where that is gone. */
async function basisOf(
  db: Database,
  row: MachineRow,
  meter: MeterChange[],
): Promise<MachineBasis | undefined> {
  const { id, name, baseline, about, retiredAt } = row;
  const [sheet, newest] = await Promise.all([
    readSheet(db, row.sheet, row.sheetRevision),
    readSheet(db, row.sheet),
  ]);
  if (!sheet || !newest) return undefined;
  const { revision, document } = tellable(sheet);
  const later = newest.revision > revision && { newest: newest.revision };
  return {
    id,
    name,
    sheet: { id: sheet.id, revision, ...later },
    document,
    meter,
    baseline,
    about: about ?? {},
    retired: retiredAt !== null,
  };
}

/** What a machine's page shows besides its line of the yard. */
type MachinePage = Omit<MachineDetail, keyof MachineLine | 'lockPairs'>;

async function pageOf(
  db: Database,
  machine: MachineBasis,
  jobs: readonly JobLine[],
): Promise<MachinePage> {
  const { document, meter, baseline } = machine;
  const abandoned = jobs.filter(({ summary }) => summary.abandoned);
  const past = pastOf(document, await checksOf(db, machine.id), meter);
  return {
    document,
    meter,
    baseline,
    readings: await readingsOnRecord(db, machine, jobs, meter),
    history: jobs.filter(({ summary }) => summary.signed),
    ...(abandoned.length > 0 && { abandoned }),
    findings: findingsOf(past.sheet, past.histories, past.sheet.service?.everyHours ?? 0),
    lastLeft: await lastLeftOf(db, jobs),
    notes: notesOf(jobs),
  };
}
