import * as v from 'valibot';
import type {
  DriftForecast,
  HoursReading,
  JobCheck,
  JobLine,
  MachineBasis,
  MachineDetail,
  MachineLine,
  Rates,
} from '@longbar/core';
import {
  driftOptions,
  engineHours,
  forecastDrift,
  pastOf,
  ratesToAimBy,
  specsByKind,
} from '@longbar/core';
import { machineChanged } from '../stale';
import type { Database } from '../sql/database';
import type { Dialect } from '../sql/dialect';
import { hourMeterOf } from '../yard/hourMeter';
import { checkTexts, jobLines } from './jobReads';
import type { Thing } from '../setAside';
import { backIn, setAside } from '../setAside';
import { readSheet } from '../yard/sheets';
import { readShop } from '../yard/shop';
import { databaseTrouble } from '../sql/trouble';

/**
 * Works out the drift of every machine whose last check it does not rest on yet, and keeps when
 * each should be looked at again. Answers how many; `said` hears of each.
 */
export async function settleDrift(
  db: Database,
  said: (done: number, of: number) => void = () => undefined,
): Promise<number> {
  const wanted = await unknownDrift(db);
  let done = 0;
  for (const { machine, job } of wanted) {
    await settleOrSetAside(db, machine, job);
    said(++done, wanted.length);
  }
  return done;
}

/** Whether the drift of any machine of the shop is to be worked out, or a journal that may change it. */
export async function isDriftDue(db: Database): Promise<boolean> {
  const stale = 'SELECT 1 FROM job_reads WHERE shop = $shop AND stale = 1';
  return (await db.some(stale)) || (await unknownDrift(db)).length > 0;
}

/** The machines whose drift does not rest on their last check yet. */
function unknownDrift(db: Database): Promise<{ machine: string; job: string }[]> {
  return db.rows(
    v.object({ machine: v.string(), job: v.string() }),
    `SELECT machine, job FROM (${lastChecks(db.dialect)}) AS last
     WHERE NOT EXISTS (SELECT 1 FROM machine_drift AS known
       WHERE known.shop = $shop AND known.machine = last.machine AND known.job = last.job)`,
  );
}

/** The last signed job of each machine. What rests on another, or on none, is old. */
const lastChecks = ({ field }: Dialect) =>
  `SELECT machine, job FROM
     (SELECT machine, job, row_number() OVER (PARTITION BY machine ORDER BY at DESC, job) AS place
      FROM job_reads WHERE shop = $shop AND ${field('summary', 'signed')} IS NOT NULL) AS ranked
   WHERE place = 1`;

/**
 * A machine whose drift cannot be worked out asks for no look, and stops no other. Of one that is
 * gone meanwhile, as with the demo, nothing is left to be said.
 */
async function settleOrSetAside(db: Database, machine: string, job: string): Promise<void> {
  try {
    await settleOne(db, machine, job);
  } catch (error) {
    if (databaseTrouble(error) !== undefined) throw error;
    await db.derive(async (transaction) => {
      const row = (await db.tables.machines.findByPk(machine, { transaction }))?.get();
      if (!row) return;
      const thing: Thing = { kind: 'drift', id: machine, name: `The drift of ${row.name}` };
      await setAside(db, thing, error, transaction);
      await db.run(KNOWN, [machine, job, '{"id":null}', '{}'], transaction);
    });
  }
}

const KNOWN = `INSERT INTO machine_drift (shop, machine, job, recheck, rates)
  VALUES ($shop, $1, $2, $3, $4)
  ON CONFLICT (shop, machine) DO UPDATE SET job = $2, recheck = $3, rates = $4`;

/** As it is kept: when to look, and whether the checks are too few to tell. */
type Recheck = DriftForecast['recheckAt'] & { tooFewChecks?: true };

async function settleOne(db: Database, machine: string, job: string): Promise<void> {
  const row = (await db.tables.machines.findByPk(machine))?.get();
  const sheet = row && (await readSheet(db, row.sheet, row.sheetRevision));
  if (!sheet) throw new Error(`Machine ${machine} has no sheet.`);
  const checks = await checkTexts(db, machine);
  const read = checks.map((text): JobCheck => JSON.parse(text));
  const { meter } = await hourMeterOf(db, row, await jobLines(db, machine));
  const past = pastOf(sheet.document, read, meter);
  const shop = await readShop(db);
  const options = driftOptions(past.sheet, shop);
  const { adjusters, recheckAt } = forecastDrift(past.histories, specsByKind(past.sheet), options);
  const known = adjusters.some(({ leaves }) => leaves);
  const recheck: Recheck = { ...recheckAt, ...(!known && { tooFewChecks: true }) };
  const rates = JSON.stringify(ratesToAimBy(adjusters));
  await db.write(async (transaction) => {
    // A check that came meanwhile makes this one of yesterday: the next time sees it.
    const now = await checkTexts(db, machine);
    if (now.join() !== checks.join()) return;
    await db.run(KNOWN, [machine, job, JSON.stringify(recheck), rates], transaction);
    await backIn(db, { kind: 'drift', id: machine }, transaction);
    await machineChanged(db, machine, transaction);
  });
}

/** What a machine's drift tells: which adjuster asks for a look and when, and how fast each goes. */
export type KnownDrift = Pick<MachineLine, 'recheck' | 'tooFewChecks'> &
  Pick<MachineDetail, 'rates'>;

/**
 * What is known of a machine's drift: `recheck` where an adjuster asks for a look before the
 * maker's interval is up; nothing where a check has been signed since it was worked out.
 */
export async function driftOf(
  db: Database,
  machine: Pick<MachineBasis, 'id' | 'meter'>,
  jobs: readonly JobLine[],
  latest: HoursReading | undefined,
): Promise<KnownDrift> {
  const [known] = await db.rows(
    v.object({ job: v.string(), recheck: v.string(), rates: v.nullable(v.string()) }),
    'SELECT job, recheck, rates FROM machine_drift WHERE shop = $shop AND machine = $1',
    [machine.id],
  );
  const last = jobs.find(({ summary }) => summary.signed);
  if (!known || !last?.summary.hours || known.job !== last.id) return { recheck: null };
  const recheck: Recheck = JSON.parse(known.recheck);
  return {
    recheck: lookAt(recheck, machine.meter, last.summary.hours, latest),
    ...(recheck.tooFewChecks && { tooFewChecks: true }),
    rates: JSON.parse(known.rates ?? '{}'),
  };
}

/** How fast the adjusters of a machine drift, as it was last worked out. */
export async function ratesOn(db: Database, machine: string): Promise<Rates | undefined> {
  const [known] = await db.rows(
    v.object({ rates: v.nullable(v.string()) }),
    'SELECT rates FROM machine_drift WHERE shop = $shop AND machine = $1',
    [machine],
  );
  return known?.rates ? JSON.parse(known.rates) : undefined;
}

function lookAt(
  recheck: Recheck,
  meter: MachineBasis['meter'],
  last: HoursReading,
  latest: HoursReading | undefined,
): MachineLine['recheck'] {
  if (recheck.id === null) return null;
  const atHours = Math.round(engineHours(last, meter) + recheck.hours);
  const now = engineHours(latest ?? last, meter);
  return { adjuster: recheck.id, atHours, hoursLeft: atHours - now };
}
