import * as v from 'valibot';
import { randomUUID } from 'node:crypto';
import type { FleetPost, Fleets, WaitingAnswer, WaitingHours } from '@longbar/core';
import { FleetsSchema } from '@longbar/core';
import { truth } from '../sql/columns';
import type { Transaction } from 'sequelize';
import { RequestError } from '../../requestError';
import type { Database } from '../sql/database';
import { takeFleet } from './fleetHours';
import { addHours } from './hours';
import { changeMachine } from '../yard/machineChanges';

const FleetRowSchema = v.object({
  ...v.omit(FleetsSchema.entries.fleets.item, ['hasKey']).entries,
  key: v.string(),
});
/** A service with its key, for whoever asks it. */
export type FleetRow = v.InferOutput<typeof FleetRowSchema>;

/** The services that are asked for hours. */
export function fleetRows(db: Database): Promise<FleetRow[]> {
  return db.rows(
    FleetRowSchema,
    `SELECT ${COLUMNS} FROM fleets WHERE shop = $shop ORDER BY address, id`,
  );
}

const COLUMNS = 'id, address, key, everyHours, askedAt, problem';

/** The services, and the readings that wait; a key is not told. */
export async function listFleets(db: Database): Promise<Fleets> {
  const [rows, waiting] = await Promise.all([fleetRows(db), waitingHours(db)]);
  const fleets = rows.map(({ key, ...fleet }) => ({ ...fleet, hasKey: key !== '' }));
  return { fleets, waiting };
}

const WaitingRowSchema = v.object({
  ...v.omit(FleetsSchema.entries.waiting.item, ['machine', 'leftOut']).entries,
  machine: v.nullable(v.string()),
  name: v.nullable(v.string()),
  leftOut: truth,
});

async function waitingHours(db: Database): Promise<WaitingHours[]> {
  const rows = await db.rows(
    WaitingRowSchema,
    `SELECT waiting.id, waiting.serial, model, date, hours, why, says, machine, name,
       leftOut
     FROM waiting_hours AS waiting
     LEFT JOIN machines ON machines.shop = waiting.shop AND machines.id = waiting.machine
     WHERE waiting.shop = $shop ORDER BY leftOut, waiting.id`,
  );
  return rows.map(({ name, machine, ...row }) => ({
    ...row,
    machine: machine !== null && name !== null ? { id: machine, name } : null,
  }));
}

/** Keeps a service to ask, or another address, key or rhythm of one. Throws RequestError 404. */
export async function keepFleet(db: Database, post: FleetPost, id?: string): Promise<string> {
  const { address, key, everyHours } = post;
  return db.write(async (transaction) => {
    if (id === undefined) {
      const made = randomUUID();
      await db.run(
        `INSERT INTO fleets (shop, id, address, key, everyHours)
         VALUES ($shop, $1, $2, $3, $4)`,
        [made, address, key ?? '', everyHours],
        transaction,
      );
      return made;
    }
    const before = await fleetOf(db, id, transaction);
    // A key was given for the service it is of: another one does not get it.
    const sameOrigin = originOf(before.address) === originOf(address);
    await db.run(
      `UPDATE fleets SET address = $1, key = $2, everyHours = $3, askedAt = NULL, problem = NULL
       WHERE shop = $shop AND id = $4`,
      [address, key ?? (sameOrigin ? before.key : ''), everyHours, id],
      transaction,
    );
    return id;
  });
}

function originOf(address: string): string | undefined {
  return URL.canParse(address) ? new URL(address).origin : undefined;
}

/** A service by its id. Throws RequestError 404. */
export async function fleetOf(
  db: Database,
  id: string,
  transaction?: Transaction,
): Promise<FleetRow> {
  const sql = `SELECT ${COLUMNS} FROM fleets WHERE shop = $shop AND id = $1` as const;
  const [row] = await db.rows(FleetRowSchema, sql, [id], transaction);
  if (!row) throw new RequestError(404, 'There is no such service.');
  return row;
}

/** It is asked no more; what it told stays. Throws RequestError 404. */
export async function endFleet(db: Database, id: string): Promise<void> {
  await db.write(async (transaction) => {
    await fleetOf(db, id, transaction);
    await db.run('DELETE FROM fleets WHERE shop = $shop AND id = $1', [id], transaction);
  });
}

/** How asking a service ended: when, and what was wrong. */
export async function noteAsked(
  db: Database,
  id: string,
  { at, problem }: { at: string; problem: string | null },
): Promise<void> {
  await db.write((transaction) =>
    db.run(
      'UPDATE fleets SET askedAt = $1, problem = $2 WHERE shop = $shop AND id = $3',
      [at, problem, id],
      transaction,
    ),
  );
}

/**
 * Settles a reading that waits as somebody says. Throws RequestError 404, or 400 where the reading
 * cannot be what is said; then it waits on.
 */
export async function settleWaiting(
  db: Database,
  id: number,
  answer: WaitingAnswer,
  { now, today }: { now: string; today: string },
): Promise<void> {
  const row = (await waitingHours(db)).find((each) => each.id === id);
  if (!row) throw new RequestError(404, 'This reading no longer waits.');
  const { serial, model, date, hours, machine } = row;
  if (answer.do === 'leave-out' || answer.do === 'bring-back') {
    return leaveOut(db, id, answer.do === 'leave-out');
  }
  if (answer.do === 'machine') {
    await changeMachine(db, answer.machine, { serial }, now, today);
    await stopWaiting(db, id);
    await takeFleet(db, { readings: [{ serial, model, at: date, hours }], unread: [] }, today);
    return;
  }
  if (!machine) throw new RequestError(400, 'Say first which machine it is of.');
  const how = answer.do === 'take' ? { sure: true } : { replaced: true };
  await addHours(db, machine.id, { date, hours, ...how }, today);
  await stopWaiting(db, id);
}

async function leaveOut(db: Database, id: number, out: boolean): Promise<void> {
  await db.write((transaction) =>
    db.run(
      'UPDATE waiting_hours SET leftOut = $1 WHERE shop = $shop AND id = $2',
      [out ? 1 : 0, id],
      transaction,
    ),
  );
}

async function stopWaiting(db: Database, id: number): Promise<void> {
  await db.write((transaction) =>
    db.run('DELETE FROM waiting_hours WHERE shop = $shop AND id = $1', [id], transaction),
  );
}
