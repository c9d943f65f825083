import * as v from 'valibot';
import { randomBytes } from 'node:crypto';
import type { Database } from '../sql/database';

type Door = { cookie: string; calendar: string };
/** Each request asks for it. */
const doors = new WeakMap<Database, Door>();

/** What other processes are told, which know it too. */
const DOOR = 'door';
const hearing = new WeakSet<Database>();

function hearOf(db: Database): void {
  if (hearing.has(db)) return;
  hearing.add(db);
  const forget = () => void doors.delete(db);
  db.others.hear(DOOR, v.unknown(), forget, forget);
}

/** What the door is known by: the name of its cookie, and the secret in the calendar's address. */
export async function doorOf(db: Database): Promise<Door> {
  const known = doors.get(db);
  if (known) return known;
  const [door] = await db.rows(
    v.object({ cookie: v.string(), calendar: v.string() }),
    'SELECT cookie, calendar FROM door WHERE shop = $shop',
  );
  if (!door) throw new Error('The database has no door.');
  const read = { cookie: `longbar-${door.cookie}`, calendar: door.calendar };
  hearOf(db);
  doors.set(db, read);
  return read;
}

/** The calendar's address is another from here on; who subscribed to the old one gets nothing. */
export async function renewCalendar(db: Database): Promise<void> {
  const calendar = randomBytes(16).toString('hex');
  await db.write((transaction) =>
    db.run('UPDATE door SET calendar = $1 WHERE shop = $shop', [calendar], transaction),
  );
  doors.delete(db);
  db.others.tell(DOOR);
}
