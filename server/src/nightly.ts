import { goByShop } from './goByShop';
import { openDatabase } from './store/database';
import { settleDrift } from './store/drift';
import { settleJobs } from './store/jobReads';
import { readShop } from './store/shop';

/*
 * The drift of the whole yard, in a process of its own with little priority: however much there
 * is of it, no phone waits. It ends with the server that began it.
 */
const orphaned = () => process.exit(1);
process.on('disconnect', orphaned);
const db = await openDatabase(process.argv[2] ?? '');
goByShop(await readShop(db));
await settleJobs(db);
const said = (done: number, of: number) =>
  // Where nobody listens any more, it has ended by the time that is told.
  process.send?.({ done, of }, undefined, undefined, () => undefined);
const done = await settleDrift(db, said);
await db.close();
process.off('disconnect', orphaned);
said(done, done);
process.disconnect?.();
