import { HookStandIn } from '../hooks/standIn';
import type { Database } from '../store/sql/database';
import { addHook, hookRows, moveHook } from '../store/yard/hooks';

/** The demo's program that is told: a stand-in on this machine. Answers where it is. */
export async function demoHook(db: Database): Promise<string> {
  let secret = '';
  const standIn = await HookStandIn.start(() => secret);
  const [before] = await hookRows(db);
  if (before) await moveHook(db, before.id, { address: standIn.address });
  else await addHook(db, { address: standIn.address });
  secret = (await hookRows(db))[0]?.secret ?? '';
  return standIn.origin;
}
