import * as v from 'valibot';
import { randomBytes } from 'node:crypto';
import { Remembered } from '../remembered';
import type { Database } from '../sql/database';

type Door = { cookie: string; calendar: string };
/** Each request asks for it. */
const doors = new Remembered<Door>();

/** What the door is known by: the name of its cookie, and the secret in the calendar's address. */
export function doorOf(db: Database): Promise<Door> {
  return doors.of(db, String(db.shop), async () => {
    const [door] = await db.rows(
      v.object({ cookie: v.string(), calendar: v.string() }),
      'SELECT cookie, calendar FROM door WHERE shop = $shop',
    );
    if (!door) throw new Error('The database has no door.');
    return { cookie: `longbar-${door.cookie}`, calendar: door.calendar };
  });
}

/** The calendar's address is another from here on; who subscribed to the old one gets nothing. */
export async function renewCalendar(db: Database): Promise<void> {
  const calendar = randomBytes(16).toString('hex');
  await db.write((transaction) =>
    db.run('UPDATE door SET calendar = $1 WHERE shop = $shop', [calendar], transaction),
  );
}
