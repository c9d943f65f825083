import type { StandInUnit } from '../fleet/standIn';
import { FleetStandIn } from '../fleet/standIn';
import type { Database } from '../store/sql/database';
import * as v from 'valibot';
import { fleetRows, keepFleet } from '../store/hours/fleets';

/**
 * The demo's telematics service: a stand-in on this machine, which tells of some of its machines
 * what is known, of one that its meter has jumped, and of one that nobody has entered.
 * Answers where it is.
 */
export async function demoFleet(db: Database): Promise<string> {
  const known = await unitsOf(db);
  const standIn = await FleetStandIn.start(() => [...known, NOBODYS]);
  const address = `${standIn.origin}/fleet`;
  const [before] = await fleetRows(db);
  await keepFleet(db, { address, key: standIn.key, everyHours: 24 }, before?.id);
  return standIn.origin;
}

/** Nobody has entered this one, and the meter of that one has jumped. */
const NOBODYS = {
  serial: 'SK-4471',
  model: 'Plover 5',
  hours: 1208.4,
  at: '2026-06-01T12:00:00.000Z',
};
const JUMP = { serial: 'SK-1207', hours: 40_000, days: 1 };

const ShownSchema = v.object({
  serial: v.string(),
  model: v.string(),
  date: v.string(),
  hours: v.number(),
});

/** What each machine with a serial number showed last, as it is on record. */
async function unitsOf(db: Database): Promise<StandInUnit[]> {
  const { field } = db.dialect;
  const rows = await db.rows(
    ShownSchema,
    `SELECT ${field('about', 'serial')} AS serial, ${field('document', 'name')} AS model,
       date, hours
     FROM machines
       JOIN hours_readings ON hours_readings.shop = machines.shop AND machine = machines.id
       JOIN sheets
         ON sheets.shop = machines.shop AND sheets.id = sheet AND revision = sheetRevision
     WHERE machines.shop = $shop AND ${field('about', 'serial')} IS NOT NULL
     ORDER BY 1, date`,
  );
  const last = new Map(rows.map((row) => [row.serial, row]));
  return [...last.values()].map(({ serial, model, date, hours }) => {
    const jumped = serial === JUMP.serial;
    const day = new Date(`${date}T12:00:00.000Z`);
    if (jumped) day.setUTCDate(day.getUTCDate() + JUMP.days);
    return { serial, model, hours: hours + (jumped ? JUMP.hours : 0), at: day.toISOString() };
  });
}
