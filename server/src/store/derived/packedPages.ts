import * as v from 'valibot';
import { RequestError } from '../../requestError';
import { hasRoomAhead, isPacked, packedAnswer } from '../packedAnswers';
import type { Database } from '../sql/database';
import { machineChecks, machineDetail, machineLines } from './machines';
import { settle } from './readTables';

/** The machines of a yard, those that are retired, one machine by its id, or the checks of one. */
export type Page = 'yard' | 'yard retired' | `machine ${string}` | `checks ${string}`;

/** How each is made: `whose` is what stands after the first word of it. */
const MAKE: Record<string, (db: Database, today: string, whose: string) => Promise<string>> = {
  yard: (db, today, whose) => machineLines(db, today, whose === 'retired'),
  machine: (db, today, id) => machineDetail(db, id, today),
  checks: (db, today, id) => machineChecks(db, id, today),
};

/** What is asked for most, as it is `today`: JSON, packed by gzip once for all who ask. */
export async function packedPage(db: Database, page: Page, today: string): Promise<Buffer> {
  await settle(db, today);
  const [kind = '', whose = ''] = page.split(' ');
  const make = MAKE[kind];
  if (!make) throw new RangeError(`There is no page “${page}”.`);
  return packedAnswer(db, page, () => make(db, today, whose));
}

/**
 * Packs the pages of a yard that are not packed, one after the other, so that whoever asks first
 * waits no longer than others: after a start, after a change and on a new day. It stops where no
 * more is kept ahead, or when `goesOn` says no.
 */
export async function packAhead(
  db: Database,
  today: string,
  goesOn: () => boolean = () => true,
): Promise<void> {
  await settle(db, today);
  const machines = await db.rows(
    v.object({ id: v.string() }),
    'SELECT id FROM machines WHERE shop = $shop AND retiredAt IS NULL ORDER BY id',
  );
  const pages = machines.flatMap(({ id }): Page[] => [`machine ${id}`, `checks ${id}`]);
  for (const page of ['yard', ...pages] satisfies Page[]) {
    if (!goesOn() || !hasRoomAhead()) return;
    if (!isPacked(db, page)) await packedPage(db, page, today).catch(toldWhoAsks);
  }
}

/** One that was set aside, or deleted meanwhile, is told to whoever asks for it. */
function toldWhoAsks(error: unknown): void {
  if (!(error instanceof RequestError)) throw error;
}
