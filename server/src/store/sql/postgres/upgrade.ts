import { setTimeout as wait } from 'node:timers/promises';
import { ignore } from '@longbar/core';
import type { Sequelize } from 'sequelize';
import { QueryTypes } from 'sequelize';
import * as v from 'valibot';
import { FolderError } from '../dataFile';
import { pendingSteps, SINCE } from '../migrate';
import type { Migration } from '../migration';

/** The earliest version that is served, as its server counts. */
const EARLIEST = 150_000;

/** How long a step waits at most for whoever reads a table that it alters: all others wait behind it. */
const LOCKED = '20s';
/** So often it is tried while others read and write, with so long a rest, ms. */
const [TRIES, REST] = [20, 500];
/** Others had what a step alters: for too long, or each waited for the other. */
const IN_USE = ['55P03', '40P01'];
const InUseSchema = v.object({
  cause: v.object({ parent: v.object({ code: v.picklist(IN_USE) }) }),
});

/**
 * Brings the schema up to date by the one connection that this has: all steps or none, one process
 * after the other where several start at once, while those of the version before serve on. Throws
 * FolderError.
 */
export async function upgradePostgres(sequelize: Sequelize, since = SINCE): Promise<void> {
  await refuseOther(sequelize);
  for (let tries = 1; ; tries++) {
    try {
      await allSteps(sequelize, since);
      return;
    } catch (error) {
      if (!v.is(InUseSchema, error) || tries === TRIES) {
        const why = error instanceof Error ? error.message : String(error);
        throw new FolderError(`The database could not be upgraded, and is as it was: ${why}.`);
      }
      await wait(REST);
    }
  }
}

async function allSteps(sequelize: Sequelize, since: Migration[]): Promise<void> {
  const say = (sql: string) => sequelize.query(sql);
  await say('BEGIN');
  try {
    await say('SELECT pg_advisory_xact_lock(0, 0)');
    const { pending, run } = await pendingSteps(sequelize, since);
    if (pending.length > 0) {
      await say(`SET LOCAL lock_timeout = '${LOCKED}'`);
      await run();
    }
    await say('COMMIT');
  } catch (error) {
    await say('ROLLBACK').catch(ignore('what went wrong before is told'));
    throw error;
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
