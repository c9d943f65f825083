import type { Sequelize } from 'sequelize';
import { QueryTypes } from 'sequelize';
import { FolderError } from '../dataFile';
import { pendingSteps } from '../migrate';

/** The earliest version that is served, as its server counts. */
const EARLIEST = 150_000;

/**
 * Brings the schema up to date by the one connection that this has: all steps or none, one process
 * after the other where several start at once. Throws FolderError.
 */
export async function upgradePostgres(sequelize: Sequelize): Promise<void> {
  await refuseOther(sequelize);
  const say = (sql: string) => sequelize.query(sql);
  await say('BEGIN');
  try {
    await say('SELECT pg_advisory_xact_lock(0, 0)');
    const { pending, run } = await pendingSteps(sequelize);
    if (pending.length > 0) await run();
    await say('COMMIT');
  } catch (error) {
    await say('ROLLBACK').catch(() => undefined);
    const why = error instanceof Error ? error.message : String(error);
    throw new FolderError(`The database could not be upgraded, and is as it was: ${why}.`);
  }
}

/** An earlier server lacks what is asked of it, and other letters than Unicode cannot be kept. */
async function refuseOther(sequelize: Sequelize): Promise<void> {
  const [server] = await sequelize.query<{ version: string; encoding: string }>(
    `SELECT current_setting('server_version_num') AS version,
       current_setting('server_encoding') AS encoding`,
    { type: QueryTypes.SELECT },
  );
  if (!server || Number(server.version) < EARLIEST) {
    throw new FolderError('DATABASE_URL names a PostgreSQL before version 15. Upgrade it first.');
  }
  if (server.encoding !== 'UTF8') {
    throw new FolderError(
      `The database that DATABASE_URL names keeps ${server.encoding}; make one with UTF8.`,
    );
  }
}
