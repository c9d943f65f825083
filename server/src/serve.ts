import { randomUUID } from 'node:crypto';
import { resolve } from 'node:path';
import type { Logger } from 'pino';
import { listenAt, placeFrom } from './listening';
import { findApart } from './weeks/findApart';
import { demoFleet } from './demo/demoFleet';
import { demoHook } from './demo/demoHook';
import { loadDemo } from './demo/loadDemo';
import { FleetKeeper } from './fleet/fleetKeeper';
import { HookKeeper } from './hooks/hookKeeper';
import { Keepers } from './keepers';
import { createApp } from './http/createApp';
import { nightWork } from './nights';
import { keepBackedUp } from './keepBackedUp';
import { keepPacked } from './keepPacked';
import { LongJobs } from './longJobs';
import { Entrance } from './http/entrance';
import { inOwnProcess } from './ownProcess';
import { firstLink, noteAddress } from './pairingLink';
import type { Environment } from './settings';
import { backupPlan, databaseFrom, proxiesFrom } from './settings';
import type { Database } from './store/sql/database';
import { quickLook } from './store/sql/looks';
import { openDatabase } from './store/sql/database';
import { demoShop } from './store/yard/shops';

/** What a start can be told; the environment gives the rest. */
export type StartOptions = { demo: boolean; web?: string | undefined };

/** An application that is served. */
export type Served = {
  /** Where another device reaches it. */
  url: string;
  /** Whether the demo data went into it just now. */
  demoLoaded: boolean;
  /** Pairs the first phone, where there is none. */
  firstLink: string | undefined;
  /** Ends all that goes on in it, and closes its database. */
  close: () => Promise<void>;
};

/** Where the data lies, as the environment has it. */
export function dataFolder(env: Environment): string {
  return resolve(env.LONGBAR_DATA ?? 'data');
}

/**
 * Opens the database, loads the demo data into an empty one if asked, and serves all its shops.
 * Several can stand in one process, each with a data folder and a port of its own. Throws
 * StartError or FolderError with what to do.
 */
export async function serve(
  { demo, web }: StartOptions,
  env: Environment,
  logger: Logger,
): Promise<Served> {
  const place = placeFrom(env);
  const proxies = proxiesFrom(env.LONGBAR_PROXY);
  const folder = dataFolder(env);
  const entrance = new Entrance();
  const shut = await listenAt(place, entrance.answer);
  try {
    const shop = await openShop(folder, { demo, web, env, logger, proxies, hosts: place.hosts });
    entrance.open(shop.app);
    const { url } = place;
    noteAddress(folder, url);
    return {
      ...{ url, demoLoaded: shop.demoLoaded, firstLink: await shop.firstLink() },
      close: async () => {
        await entrance.close();
        await shop.endWork();
        shut();
        await shop.db.close();
      },
    };
  } catch (error) {
    shut();
    throw error;
  }
}

type Opened = StartOptions & {
  env: Environment;
  logger: Logger;
  proxies: string[];
  hosts: string[];
};

/** The shop of a data folder with all that goes on in it, and the application that answers for it. */
async function openShop(folder: string, { demo, web, env, logger, proxies, hosts }: Opened) {
  const url = databaseFrom(env.DATABASE_URL);
  const longJobs = new LongJobs(() => inOwnProcess('longJob'));
  const db = await openDatabase(folder, { reading: longJobs.summarise, url });
  await lookOver(db, logger);
  const demoLoaded = demo && db.damage() === null && (await loadDemo(db, new Date()));
  // A PostgreSQL database is backed up by its own means.
  const backups = url === undefined ? backupPlan(folder, env) : undefined;
  const nights = nightWork(db, folder, env, logger);
  const demoIn = db.damage() === null ? await demoShop(db) : undefined;
  const reach = {
    anywhere: env.LONGBAR_ALLOW_PRIVATE === '1',
    ...(demoIn && { origins: new Set([await demoFleet(demoIn), await demoHook(demoIn)]) }),
  };
  const fleets = new Keepers((shop) => new FleetKeeper(shop, reach, logger));
  const hooks = new Keepers((shop) => new HookKeeper(shop, reach, logger));
  const key = env.LONGBAR_METRICS_KEY;
  const app = createApp({
    ...{ db, logger, run: randomUUID(), web, proxies, hosts, backups },
    devOrigin: env.LONGBAR_DEV_ORIGIN,
    ...{ driftDue: nights.look, fleets, hooks, find: findApart },
    ...(key && { metrics: { key, folder } }),
  });
  const stopBackups = backups && keepBackedUp(db, backups, logger);
  const stopPacking = keepPacked(db, logger);
  nights.begin();
  if (db.damage() === null) await Promise.all([fleets.begin(db), hooks.begin(db)]);
  return {
    ...{ db, app, demoLoaded },
    /** Asked once the address is noted that the link is to carry. */
    firstLink: async () => (db.damage() === null ? firstLink(db, folder) : undefined),
    endWork: async () => {
      stopBackups?.();
      await Promise.all([nights.end(), fleets.end(), hooks.end(), stopPacking()]);
      longJobs.close();
    },
  };
}

/** What is wrong with the database is said before the first phone asks. */
async function lookOver(db: Database, logger: Logger): Promise<void> {
  await quickLook(db);
  const damage = db.damage();
  if (damage !== null) logger.error(damage);
  if (db.lost > 0) {
    logger.error(
      `${db.lost} entries that phones were told are kept are missing. Phones that hold them send them again.`,
    );
  }
}
