import { goByShop } from './goByShop';
import { noteLook } from './lastLook';
import { thoroughLook } from './store/journal/damage';
import { openDatabase } from './store/sql/database';
import { settleDrift } from './store/derived/drift';
import { settleJobs } from './store/derived/jobReads';
import { keepSpoiled } from './store/setAside';
import { readShop } from './store/yard/shop';

/*
 * The drift of the whole yard and, where it is asked for, a look through all of the database, in a
 * process of its own with little priority: however much there is of it, no phone waits. It ends
 * with the server that began it.
 */
const orphaned = () => process.exit(1);
process.on('disconnect', orphaned);
const folder = process.argv[2] ?? '';
const db = await openDatabase(folder);
goByShop(await readShop(db));
const said = (done: number, of: number) =>
  // Where nobody listens any more, it has ended by the time that is told.
  process.send?.({ done, of }, undefined, undefined, () => undefined);
if (process.argv[3] === 'thorough') await lookThrough();
if (db.damage() === null) await settleJobs(db);
// Nothing is written any more where it was found damaged.
const done = db.damage() === null ? await settleDrift(db, said) : 0;
await db.close();
process.off('disconnect', orphaned);
said(done, done);
process.disconnect?.();

async function lookThrough(): Promise<void> {
  const spoiled = await thoroughLook(db);
  noteLook(folder);
  const damage = db.damage();
  if (damage === null) await keepSpoiled(db, spoiled);
  else process.send?.({ damage });
}
