import { localDay } from '@longbar/core';
import { goByShop } from './goByShop';
import { foremansLink } from './pairingLink';
import { backupPlan } from './settings';
import { backUp } from './store/sql/backup';
import { openDatabase } from './store/sql/database';
import { rebuild } from './store/derived/readTables';
import { readShop } from './store/yard/shop';

/* What is done to a data folder by a command, beside the server or without it. */

export { restore } from './store/sql/restore';
export { workByNight } from './nights';
export { verifyFile } from './verify/verifyFile';

/** A checked backup of a data folder now; the server may run on it. */
export async function backUpFolder(folder: string): Promise<string> {
  const db = await openDatabase(folder);
  try {
    return await backUp(db, backupPlan(folder, process.env), new Date());
  } finally {
    await db.close();
  }
}

/** All that is derived in a data folder, worked out anew; the server may run on it. */
export async function rebuildFolder(
  folder: string,
  said: (things: string, done: number) => void,
): Promise<void> {
  const db = await openDatabase(folder);
  try {
    goByShop(await readShop(db));
    await rebuild(db, localDay(new Date()), said);
  } finally {
    await db.close();
  }
}

/** A link that pairs one more phone as a foreman's; the server may run on the folder. */
export async function pairFolder(folder: string): Promise<string> {
  const db = await openDatabase(folder);
  try {
    return await foremansLink(db, folder);
  } finally {
    await db.close();
  }
}
