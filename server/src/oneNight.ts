import { isLookOld, noteLook } from './store/lastLook';
import { settleDrift } from './store/derived/drift';
import { settleJobs } from './store/derived/jobReads';
import { lookAtShop } from './store/journal/damage';
import { keepSpoiled } from './store/setAside';
import type { Database } from './store/sql/database';
import { lookAtFile } from './store/sql/looks';
import { forEachShop } from './store/yard/shops';

/**
 * The work of a night, by one process at a time: the drift of every shop and, where `lookAfter` is
 * given and nobody did so for so many hours, a look through all of the database before it. `said`
 * hears how far the drift is. Answers of how many machines it was worked out.
 */
export async function oneNight(
  db: Database,
  lookAfter: number | undefined,
  said: (done: number, of: number) => void = () => undefined,
): Promise<number> {
  let done = 0;
  await db.alone('night', async () => {
    // Asked once nobody else is at it: several processes on one database begin their night together.
    const isDue = lookAfter !== undefined && (await isLookOld(db, new Date(), lookAfter));
    if (isDue) await lookThrough(db);
    await forEachShop(db, async (shop) => {
      // Nothing is written any more where it was found damaged.
      if (db.damage() !== null) return;
      await settleJobs(shop);
      done += await settleDrift(shop, said);
    });
  });
  return done;
}

/** One that is damaged is not noted as looked through: nothing is written to it. */
async function lookThrough(db: Database): Promise<void> {
  const orphans = await lookAtFile(db);
  if (db.damage() !== null) return;
  await forEachShop(db, async (shop) =>
    keepSpoiled(shop, [...orphans, ...(await lookAtShop(shop))]),
  );
  await noteLook(db, new Date());
}
