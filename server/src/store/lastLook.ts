import * as v from 'valibot';
import type { Database } from './sql/database';

const AN_HOUR = 3_600_000;

/** Whether no process has looked through all of the database for so many hours. */
export async function isLookOld(db: Database, now: Date, hours: number): Promise<boolean> {
  const [last] = await db.whole.rows(v.object({ at: v.string() }), 'SELECT at FROM last_look');
  // One from a clock that was ahead tells nothing.
  return !last || Math.abs(now.getTime() - Date.parse(last.at)) > hours * AN_HOUR;
}

/** All of it was looked through. */
export async function noteLook(db: Database, now: Date): Promise<void> {
  await db.write((transaction) =>
    db.whole.run('UPDATE last_look SET at = $1', [now.toISOString()], transaction),
  );
}
