import { noteLook } from './lastLook';
import { lookAtShop } from './store/journal/damage';
import { databaseFrom } from './settings';
import { openDatabase } from './store/sql/database';
import { lookAtFile } from './store/sql/looks';
import { settleDrift } from './store/derived/drift';
import { settleJobs } from './store/derived/jobReads';
import { keepSpoiled } from './store/setAside';
import { forEachShop } from './store/yard/shops';

/*
 * The drift of the whole yard and, where it is asked for, a look through all of the database, in a
 * process of its own with little priority: however much there is of it, no phone waits. It ends
 * with the server that began it.
 */
const orphaned = () => process.exit(1);
process.on('disconnect', orphaned);
const folder = process.argv[2] ?? '';
// The next server may begin in the folder while this one has not heard yet that its own has ended.
const url = databaseFrom(process.env.DATABASE_URL);
const db = await openDatabase(folder, { url, mayMake: false });
const said = (done: number, of: number) =>
  // Where nobody listens any more, it has ended by the time that is told.
  process.send?.({ done, of }, undefined, undefined, () => undefined);
let done = 0;
await db.alone('night', async () => {
  if (process.argv[3] === 'thorough') await lookThrough();
  await forEachShop(db, async (shop) => {
    // Nothing is written any more where it was found damaged.
    if (db.damage() !== null) return;
    await settleJobs(shop);
    done += await settleDrift(shop, said);
  });
});
await db.close();
process.off('disconnect', orphaned);
said(done, done);
process.disconnect?.();

async function lookThrough(): Promise<void> {
  const orphans = await lookAtFile(db);
  noteLook(folder);
  const damage = db.damage();
  if (damage !== null) process.send?.({ damage });
  else {
    await forEachShop(db, async (shop) =>
      keepSpoiled(shop, [...orphans, ...(await lookAtShop(shop))]),
    );
  }
}
