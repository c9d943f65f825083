import { renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Sequelize } from 'sequelize';
import { QueryTypes } from 'sequelize';
import { checkFile } from '../checkedFile';
import { FolderError, wayBack } from '../dataFile';
import { pendingSteps } from '../migrate';

/** The database as it was before the last upgrade. */
const BEFORE = 'longbar-before-upgrade.sqlite';

/**
 * Brings the schema up to date: all steps or none, after a checked copy of what was there. What an
 * earlier version left half made is made anew where nothing is in it. Throws FolderError, with
 * nothing changed, where it cannot.
 */
export async function upgrade(sequelize: Sequelize, folder: string): Promise<void> {
  const { done, pending, run } = await pendingSteps(sequelize);
  if (pending.length === 0) return;
  if (done.length > 0) await copyBefore(sequelize, folder);
  const say = (sql: string) => sequelize.query(sql);
  await say('BEGIN IMMEDIATE');
  try {
    if (done.length === 0) await dropEmpty(sequelize);
    await run();
    await say('COMMIT');
  } catch (error) {
    await say('ROLLBACK').catch(() => undefined);
    const why = error instanceof Error ? error.message : String(error);
    throw new FolderError(
      `The database in ${folder} could not be upgraded, and is as it was: ${why}. Is there room on the disk? If there is, an earlier upgrade was cut off. ${wayBack(folder)}`,
    );
  }
}

async function copyBefore(sequelize: Sequelize, folder: string): Promise<void> {
  const file = join(folder, BEFORE);
  const part = `${file}.part`;
  try {
    rmSync(part, { force: true });
    await sequelize.query('VACUUM INTO ?', { replacements: [part] });
    await checkFile(part);
    renameSync(part, file);
  } catch (error) {
    rmSync(part, { force: true });
    const why = error instanceof Error ? error.message : String(error);
    throw new FolderError(
      `The database in ${folder} is to be upgraded, but could not be copied before: ${why}. Nothing was changed. ${wayBack(folder)}`,
    );
  }
}

/** Takes away the tables of a first start that was cut off, where nothing is in any of them. */
async function dropEmpty(sequelize: Sequelize): Promise<void> {
  const select = <Row extends object>(sql: string) =>
    sequelize.query<Row>(sql, { type: QueryTypes.SELECT });
  const tables = await select<{ name: string }>(
    `SELECT name FROM sqlite_master
     WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name <> 'SequelizeMeta'`,
  );
  for (const { name } of tables) {
    const rows = await select<object>(`SELECT 1 FROM "${name}" LIMIT 1`);
    if (rows.length > 0) throw new Error(`the table ${name} was left by an unfinished start`);
  }
  // Those that belong to others first.
  for (const { name } of tables.reverse()) await sequelize.query(`DROP TABLE "${name}"`);
}
