import { oneNight } from './oneNight';
import { databaseFrom } from './settings';
import { openDatabase } from './store/sql/database';

/*
 * The work of a night in a process of its own with little priority: however much there is of it, no
 * phone waits. It ends with the server that began it.
 */
const orphaned = () => process.exit(1);
process.on('disconnect', orphaned);
const [folder = '', lookAfter] = process.argv.slice(2);
// The next server may begin in the folder while this one has not heard yet that its own has ended.
const url = databaseFrom(process.env.DATABASE_URL);
const db = await openDatabase(folder, { url, mayMake: false });
// Where nobody listens any more, it has ended by the time that is told.
const tell = (told: object) => process.send?.(told, undefined, undefined, () => undefined);
const hours = lookAfter === undefined ? undefined : Number(lookAfter);
const done = await oneNight(db, hours, (machines, of) => tell({ done: machines, of }));
const damage = db.damage();
if (damage !== null) tell({ damage });
await db.close();
process.off('disconnect', orphaned);
tell({ done, of: done });
process.disconnect?.();
