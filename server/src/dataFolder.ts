import { localDay, ShopSchema } from '@longbar/core';
import * as v from 'valibot';
import { foremansLink } from './pairingLink';
import { backupPlan } from './settings';
import { databaseOf } from './several/notedDatabase';
import { backUp } from './store/sql/backup';
import type { Database } from './store/sql/database';
import { restore } from './store/sql/restore';
import { openDatabase } from './store/sql/database';
import { rebuild } from './store/derived/readTables';
import { keepCompany } from './store/yard/companies';
import type { ShopTold } from './store/yard/shops';
import { forEachShop, openShop, tellShops } from './store/yard/shops';

/* What is done to a data folder by a command, beside the server or without it. */

export { workByNight } from './nights';
export { verifyFile } from './verify/verifyFile';

/** The database of a data folder, or the one that the environment names. */
function opened(folder: string): Promise<Database> {
  return openDatabase(folder, { url: databaseOf(folder, process.env) });
}

/** A checked backup of a data folder now; the server may run on it. */
export async function backUpFolder(folder: string): Promise<string> {
  const db = await opened(folder);
  try {
    return await backUp(db, backupPlan(folder, process.env), new Date());
  } finally {
    await db.close();
  }
}

/** Puts a backup in the place of a data folder's database. Throws where it cannot be. */
export function restoreFolder(file: string, folder: string): Promise<string | null> {
  if (databaseOf(folder, process.env) !== undefined) {
    throw new Error('This is a PostgreSQL database: it is restored by its own means.');
  }
  return restore(file, folder, new Date());
}

/** All that is derived in a data folder, worked out anew; the server may run on it. */
export async function rebuildFolder(
  folder: string,
  said: (things: string, done: number) => void,
): Promise<void> {
  const db = await opened(folder);
  try {
    await forEachShop(db, (shop) => rebuild(shop, localDay(new Date()), said));
  } finally {
    await db.close();
  }
}

/**
 * A link that pairs one more phone as a foreman's, of the shop with this number where there are
 * several; the server may run on the folder. Throws where that does not say which.
 */
export async function pairFolder(folder: string, number?: string): Promise<string> {
  const db = await opened(folder);
  try {
    return await foremansLink(await shopMeant(db, number), folder);
  } finally {
    await db.close();
  }
}

/** The shops of a data folder: the number of each, its name, and how many machines and people it has. */
export async function shopsIn(folder: string): Promise<ShopTold[]> {
  const db = await opened(folder);
  try {
    return await tellShops(db);
  } finally {
    await db.close();
  }
}

/**
 * Opens another shop in a data folder, and answers the link that pairs its first phone; the server
 * may run on the folder. Throws where there is a shop of this name.
 */
export async function openShopIn(folder: string, name: string): Promise<string> {
  const db = await opened(folder);
  try {
    const same = (await tellShops(db)).find(
      (shop) => shop.name.toLowerCase() === name.toLowerCase(),
    );
    if (same) throw new Error(`There is a shop of this name already: ${same.number} ${same.name}.`);
    return await foremansLink(await openShop(db, v.parse(ShopSchema.entries.name, name)), folder);
  } finally {
    await db.close();
  }
}

/**
 * Makes shops of a data folder one company, by their numbers; it is run from the first. The server
 * may run on it. Throws where that cannot be.
 */
export async function keepCompanyIn(
  folder: string,
  name: string,
  numbers: readonly string[],
): Promise<void> {
  const db = await opened(folder);
  try {
    const shops: number[] = [];
    for (const number of numbers) shops.push((await shopMeant(db, number)).shop);
    await keepCompany(db, name, shops);
  } finally {
    await db.close();
  }
}

async function shopMeant(db: Database, number: string | undefined): Promise<Database> {
  const shops = await tellShops(db);
  const [only, another] = shops;
  const meant = number === undefined && !another ? only : undefined;
  const found = meant ?? shops.find((shop) => String(shop.number) === number);
  if (found) return db.of(found.number);
  const listed = shops.map((shop) => `${shop.number} ${shop.name}`).join(', ');
  throw new Error(`Say which shop by its number: ${listed}.`);
}
