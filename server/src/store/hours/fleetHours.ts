import type { FleetReading, HoursReading, KnownHours, WaitingHours } from '@longbar/core';
import { dayOf, HoursQuestions } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { machineChanged } from '../stale';
import type { Database } from '../sql/database';
import { knownHours } from './knownHours';
import { settle } from '../derived/readTables';

/** What a fleet told: its readings, oldest first, and the units that could not be read. */
export type FleetTold = { readings: readonly FleetReading[]; unread: readonly string[] };

/**
 * Takes the hours that a fleet told: of each machine, by its serial number, one reading a day. What
 * is known is left; what is doubtful, of no machine or of several waits for somebody to say. All
 * of it, or nothing. The same again changes nothing.
 */
export async function takeFleet(db: Database, told: FleetTold, today: string): Promise<void> {
  await settle(db, today);
  const bySerial = bySerialAndDay(told.readings);
  await db.write(async (transaction) => {
    // Nobody writes meanwhile: two services that tell of one machine do not both take its day.
    const machines = await knownHours(db, ({ about }) => bySerial.has(plain(about?.serial ?? '')));
    for (const [serial, readings] of bySerial) {
      const own = machines.filter((machine) => plain(machine.serial) === serial);
      const [machine, other] = own;
      if (machine && !other) await takeOf(db, machine, readings, today, transaction);
      else {
        const latest = readings.at(-1);
        const says = other
          ? `${own.map(({ name }) => name).join(' and ')} have this serial number.`
          : OF_NONE;
        const why = other ? 'several' : 'unknown';
        if (latest) await wait(db, { ...latest, why, says, machine: null }, transaction);
      }
    }
    for (const serial of new Set(told.unread)) {
      const says = 'What the service tells of it cannot be read.';
      await wait(
        db,
        { serial, model: '', date: today, hours: 0, why: 'unread', says, machine: null },
        transaction,
      );
    }
  });
}

type Told = { serial: string; model: string; date: string; hours: number };

/** Of each serial number and day the last reading, in order of the days. */
function bySerialAndDay(readings: readonly FleetReading[]): Map<string, Told[]> {
  const days = new Map<string, Map<string, Told>>();
  for (const { serial, model, at, hours } of readings) {
    const date = dayOf(at);
    const key = plain(serial);
    const own = days.get(key) ?? new Map<string, Told>();
    own.set(date, { serial, model, date, hours });
    days.set(key, own);
  }
  const inOrder = (own: Map<string, Told>) =>
    [...own.values()].sort((a, b) => a.date.localeCompare(b.date));
  return new Map([...days].map(([serial, own]) => [serial, inOrder(own)]));
}

/** Serial numbers are the same whatever their case and blanks. */
function plain(serial: string): string {
  return serial.replace(/\s+/g, '').toUpperCase();
}

async function takeOf(
  db: Database,
  { id, meter, readings: known, serial }: KnownHours & { serial: string },
  told: readonly Told[],
  today: string,
  transaction: Transaction,
): Promise<void> {
  const questions = new HoursQuestions(known, meter);
  const days = new Set(known.map(({ date }) => dayOf(date)));
  let taken = 0;
  for (const reading of told) {
    if (isOfKnownDay(reading, known, days)) continue;
    const { date, hours } = reading;
    const doubt = date > today ? 'Its day lies ahead.' : questions.ask(reading)?.says;
    if (doubt !== undefined) {
      await wait(db, { ...reading, why: 'doubtful', says: doubt, machine: id }, transaction);
      continue;
    }
    questions.add({ date, hours });
    await db.tables.hours.create({ machine: id, date, hours }, { transaction });
    taken++;
  }
  if (taken > 0) await machineChanged(db, id, transaction);
  // Whose it is and what it says is known now.
  await db.run(
    `DELETE FROM waiting_hours
     WHERE shop = $shop AND why <> 'doubtful' AND upper(replace(serial, ' ', '')) = $1`,
    [plain(serial)],
    transaction,
  );
}

/** Of a day that is known another reading tells nothing new, unless it is far from that one. */
function isOfKnownDay(
  { date, hours }: HoursReading,
  known: readonly HoursReading[],
  days: ReadonlySet<string>,
): boolean {
  if (!days.has(date)) return false;
  return known.some(
    (each) => dayOf(each.date) === date && Math.abs(each.hours - hours) <= HOURS_A_DAY,
  );
}

const HOURS_A_DAY = 24;

const OF_NONE = 'No machine of the yard has this serial number.';

/** A machine leaves the shop: what was told of it waits on until somebody says whose it is. */
export async function waitOwnerless(
  db: Database,
  machine: string,
  transaction: Transaction,
): Promise<void> {
  await db.run(
    `UPDATE waiting_hours SET machine = NULL, why = 'unknown', says = $1
     WHERE shop = $shop AND machine = $2`,
    [OF_NONE, machine],
    transaction,
  );
}

type Waits = Told & Pick<WaitingHours, 'why' | 'says'> & { machine: string | null };

/**
 * Lets a reading wait in place of an earlier one of the same serial number. One that was left out
 * comes back where a later reading of a known machine is doubtful.
 */
async function wait(
  db: Database,
  { serial, model, date, hours, why, says, machine }: Waits,
  transaction: Transaction,
): Promise<void> {
  await db.run(
    `INSERT INTO waiting_hours (shop, serial, model, date, hours, says, machine, why)
     VALUES ($shop, $1, $2, $3, $4, $5, $6, $7)
     ON CONFLICT (shop, serial) DO UPDATE SET
       leftOut = CASE WHEN $6 IS NOT NULL AND $3 > waiting_hours.date THEN 0
         ELSE waiting_hours.leftOut END,
       model = $2, date = $3, hours = $4, says = $5, machine = $6, why = $7
     WHERE $3 >= waiting_hours.date`,
    [serial, model, date, hours, says, machine, why],
    transaction,
  );
}
