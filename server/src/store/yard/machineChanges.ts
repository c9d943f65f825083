import type { MachinePatch, MachinePost } from '@longbar/core';
import { changedFields, dayOf, fieldsOf } from '@longbar/core';
import { isDeepStrictEqual } from 'node:util';
import { RequestError, wrongField } from '../../requestError';
import { checksChanged, forgetMachine, machineChanged } from '../stale';
import type { Database } from '../sql/database';
import { machineRow } from './machineRow';
import { unpack } from '../packedAnswers';
import { unplan } from './planned';
import { bringBack, readSheet } from './sheets';
import type { MachineRow } from '../sql/tables';

/** Adds a machine. The same addition again changes nothing; another under its id is refused. */
export async function addMachine(
  db: Database,
  machine: MachinePost,
  today: string,
): Promise<{ made: boolean }> {
  const { id, sheet } = machine;
  const known = (await db.tables.machines.findByPk(id))?.get();
  if (known) return sameAgain(known, machine);
  const revision = await revisionOf(db, sheet);
  refuseAhead(machine.inServiceSince, today);
  return db.write(async (transaction) => {
    const meanwhile = (await db.tables.machines.findByPk(id, { transaction }))?.get();
    if (meanwhile) return sameAgain(meanwhile, machine);
    await db.tables.machines.create(
      {
        id,
        sheet,
        sheetRevision: revision,
        ...fieldsOf(machine),
        meter: [],
        retiredAt: null,
        added: machine,
      },
      { transaction },
    );
    await bringBack(db, sheet, transaction);
    await machineChanged(db, id, transaction);
    return { made: true };
  });
}

function sameAgain(known: MachineRow, machine: MachinePost): { made: boolean } {
  if (isDeepStrictEqual(known.added, machine)) return { made: false };
  throw wrongField('id', 'A different machine has this id already.', 409);
}

/** Changes what is said of a machine, the sheet it goes by, or whether it is in the yard. */
export async function changeMachine(
  db: Database,
  id: string,
  patch: MachinePatch,
  now: string,
  today: string,
): Promise<void> {
  const row = await machineRow(db, id);
  const { sheet, sheetRevision, retired } = patch;
  if (sheetRevision !== undefined && sheet === undefined) {
    throw wrongField('sheetRevision', 'A revision goes with the sheet it is one of.');
  }
  refuseAhead(patch.inServiceSince ?? undefined, today);
  const revision = sheet === undefined ? undefined : await revisionOf(db, sheet, sheetRevision);
  const changed = {
    ...changedFields({ ...row, about: row.about ?? {} }, patch),
    ...(sheet !== undefined && revision !== undefined && { sheet, sheetRevision: revision }),
    ...(retired !== undefined && { retiredAt: retired ? (row.retiredAt ?? now) : null }),
  };
  await db.write(async (transaction) => {
    await db.tables.machines.update(changed, { where: { id }, transaction });
    // A machine of the yard goes by a sheet of the lists.
    if (sheet !== undefined || retired === false) {
      await bringBack(db, sheet ?? row.sheet, transaction);
    }
    if (retired) await unplan(db, id, transaction);
    // Drift goes by the sheet's limits.
    if (sheet !== undefined) await checksChanged(db, id, transaction);
    await machineChanged(db, id, transaction);
  });
}

/** Takes away a machine of which there is no record. Throws RequestError 409 where there is. */
export async function deleteMachine(db: Database, id: string): Promise<string> {
  const { name } = await machineRow(db, id);
  await db.write(async (transaction) => {
    const jobs = await db.tables.jobs.count({ where: { machine: id }, transaction });
    if (jobs > 0) {
      throw new RequestError(409, 'There are jobs on record of this machine. Retire it instead.');
    }
    await forgetMachine(db, id, transaction);
    await unplan(db, id, transaction);
    await db.tables.hours.destroy({ where: { machine: id }, transaction });
    await db.tables.machines.destroy({ where: { id }, transaction });
  });
  unpack(db, 'yard', 'yard retired', `machine ${id}`, `checks ${id}`);
  return name;
}

/** The revision of a sheet that is asked for, the newest where none is. Throws RequestError 400. */
async function revisionOf(db: Database, sheet: string, revision?: number): Promise<number> {
  const known = await readSheet(db, sheet, revision);
  if (known) return known.revision;
  if (revision === undefined || !(await readSheet(db, sheet))) {
    throw wrongField('sheet', 'There is no such sheet. Choose one of the shop’s.');
  }
  throw wrongField('sheetRevision', `The sheet has no revision ${revision}.`);
}

function refuseAhead(inServiceSince: string | undefined, today: string): void {
  if (inServiceSince !== undefined && dayOf(inServiceSince) > today) {
    throw wrongField('inServiceSince', 'The date lies ahead. Give the day it went into service.');
  }
}
