import * as v from 'valibot';
import { localDay, USUAL_RISK } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { inShop } from '../../inShop';
import { RequestError, wrongField } from '../../requestError';
import { settle } from '../derived/readTables';
import { attachedTo } from '../journal/blobs';
import { standingOf } from '../journal/arrival';
import { waitOwnerless } from '../hours/fleetHours';
import { keepKey, keyOf } from '../journal/keys';
import { unpack } from '../packedAnswers';
import type { Database } from '../sql/database';
import type { MachineRow } from '../sql/tables';
import { checksChanged, machineChanged } from '../stale';
import { bringBack } from '../yard/sheets';
import { readShop } from '../yard/shop';
import type { Between } from './bringSheet';
import { bringBlobs, bringSheet } from './bringSheet';

/**
 * Moves a machine from one shop to another with its past: its readings, its jobs with all that was
 * written, photographed and signed in them, and the revisions of sheets they went by. All of it, or
 * nothing; moved back, all is as it was. Answers its name. Throws RequestError 404, and 409 where a
 * job is open at it, or the other shop has the machine or another sheet of the same number.
 */
export async function moveMachine({ from, to }: Between, id: string, now: Date): Promise<string> {
  await inShop(await readShop(from), () => settle(from, localDay(now)));
  const name = await to.write(
    async (transaction) => {
      // Looked at in here, where nobody writes meanwhile: what comes just now is not left behind.
      const machine = (await from.tables.machines.findByPk(id, { transaction }))?.get();
      if (!machine) throw new RequestError(404, 'There is no such machine.');
      await refuseOpen(from, machine, transaction);
      if (await to.tables.machines.findByPk(id, { transaction })) {
        throw wrongField('to', `${machine.name} is in that shop already.`, 409);
      }
      for (const sheet of await sheetsOf(from, machine, transaction)) {
        await bringSheet({ from, to }, sheet, transaction);
      }
      await bringPhotos({ from, to }, machine, transaction);
      await to.tables.machines.create(machine, { transaction });
      await bringBack(to, machine.sheet, transaction);
      await bringJobs({ from, to }, id, transaction);
      await bringDrift({ from, to }, id, transaction);
      await leave(from, id, transaction);
      await machineChanged(to, id, transaction);
      return machine.name;
    },
    { also: from },
  );
  unpack(from);
  unpack(to);
  return name;
}

/** A job that is open, or that something was just written in, is being worked on. */
async function refuseOpen(
  from: Database,
  { id, name }: MachineRow,
  transaction: Transaction,
): Promise<void> {
  const { field } = from.dialect;
  const open = await from.some(
    `SELECT 1 FROM job_reads WHERE shop = $shop AND machine = $1 AND (stale = 1
       OR (${field('summary', 'signed')} IS NULL AND ${field('summary', 'abandoned')} IS NULL))`,
    [id],
    transaction,
  );
  const says = `A job is open at ${name}. It is signed or abandoned first.`;
  if (open) throw wrongField('machine', says, 409);
}

/** The sheets that the machine and its jobs went by. */
async function sheetsOf(
  from: Database,
  { id, sheet }: MachineRow,
  transaction: Transaction,
): Promise<string[]> {
  const used = await from.rows(
    v.object({ sheet: v.string() }),
    'SELECT DISTINCT sheet FROM jobs WHERE shop = $shop AND machine = $1',
    [id],
    transaction,
  );
  return [...new Set([sheet, ...used.map((job) => job.sheet)])];
}

/** The photos and clips that the machine and its jobs have. */
async function bringPhotos(
  { from, to }: Between,
  { id, about }: MachineRow,
  transaction: Transaction,
): Promise<void> {
  const jobs = await from.tables.jobs.findAll({ where: { machine: id }, transaction });
  const hashes = about?.photo === undefined ? [] : [about.photo];
  for (const job of jobs) {
    hashes.push(...(await standingOf(from, job.get().id, transaction)).flatMap(attachedTo));
  }
  await bringBlobs({ from, to }, hashes, transaction);
}

/** The jobs, and what rests on them: entries and readings keep their order, signatures their keys. */
async function bringJobs(
  { from, to }: Between,
  id: string,
  transaction: Transaction,
): Promise<void> {
  const bind = [from.shop, id];
  await to.run(
    `INSERT INTO jobs (shop, id, machine, sheet, sheetRevision, method, at, by, seal)
     SELECT $shop, id, machine, sheet, sheetRevision, method, at, by, seal FROM jobs
     WHERE shop = $1 AND machine = $2`,
    bind,
    transaction,
  );
  // What was read of them is read anew, but stands until then: drift rests on it.
  await to.run(
    `INSERT INTO job_reads (shop, job, machine, at, stale, summary, "check")
     SELECT $shop, job, machine, at, 1, summary, "check" FROM job_reads
     WHERE shop = $1 AND machine = $2`,
    bind,
    transaction,
  );
  const keys = await from.rows(
    v.object({ key: v.string() }),
    `SELECT DISTINCT key FROM signatures WHERE shop = $shop
       AND job IN (SELECT id FROM jobs WHERE shop = $shop AND machine = $1)`,
    [id],
    transaction,
  );
  for (const { key } of keys) await bringKey({ from, to }, key, transaction);
  for (const table of ['events', 'signatures', 'shares'] as const) {
    await to.run(
      `UPDATE ${table} SET shop = $shop WHERE shop = $1
         AND job IN (SELECT id FROM jobs WHERE shop = $1 AND machine = $2)`,
      bind,
      transaction,
    );
  }
  await to.run(
    'UPDATE hours_readings SET shop = $shop WHERE shop = $1 AND machine = $2',
    bind,
    transaction,
  );
}

/**
 * Its drift as it is known, or its check would seem later there until the night. Where that shop
 * takes another risk it is worked out anew.
 */
async function bringDrift(
  { from, to }: Between,
  id: string,
  transaction: Transaction,
): Promise<void> {
  await to.run(
    `INSERT INTO machine_drift (shop, machine, job, recheck, rates)
     SELECT $shop, machine, job, recheck, rates FROM machine_drift
     WHERE shop = $1 AND machine = $2`,
    [from.shop, id],
    transaction,
  );
  const [here, there] = [await readShop(from, transaction), await readShop(to, transaction)];
  const risks = [here, there].map(({ driftRisk }) => driftRisk ?? USUAL_RISK);
  if (risks[0] !== risks[1]) await checksChanged(to, id, transaction);
}

/** A key by which something was signed; it is of no phone of that shop. */
async function bringKey(
  { from, to }: Between,
  key: string,
  transaction: Transaction,
): Promise<void> {
  const own = await keyOf(from, key, transaction);
  const known = await keyOf(to, key, transaction);
  if (!own) throw new RequestError(409, 'A signature of its jobs has lost its key.');
  const names = [...new Set([...(known?.names ?? []), ...own.names])];
  await keepKey(to, { ...own, phone: known?.phone ?? null, names }, transaction);
}

/** Nothing of it is left in the shop that it came from. */
async function leave(from: Database, id: string, transaction: Transaction): Promise<void> {
  const ofJobs = 'job IN (SELECT id FROM jobs WHERE shop = $shop AND machine = $1)';
  await from.run(
    `UPDATE sheet_reads SET stale = 1 WHERE shop = $shop
       AND sheet IN (SELECT sheet FROM jobs WHERE shop = $shop AND machine = $1)`,
    [id],
    transaction,
  );
  for (const table of ['job_words', 'job_reads', 'hook_signed'] as const) {
    await from.run(`DELETE FROM ${table} WHERE shop = $shop AND ${ofJobs}`, [id], transaction);
  }
  await from.run(
    `DELETE FROM set_aside WHERE shop = $shop
       AND (id = $1 OR id IN (SELECT id FROM jobs WHERE shop = $shop AND machine = $1))`,
    [id],
    transaction,
  );
  await waitOwnerless(from, id, transaction);
  for (const table of ['machine_reads', 'machine_drift', 'planned', 'jobs'] as const) {
    await from.run(`DELETE FROM ${table} WHERE shop = $shop AND machine = $1`, [id], transaction);
  }
  await from.run('DELETE FROM machines WHERE shop = $shop AND id = $1', [id], transaction);
}
