import { drawerWithout, foldJob, isWhole, shimsFromDrawer } from '@longbar/core';
import type { Transaction } from 'sequelize';
import { standingOf } from './arrival';
import type { Database } from '../sql/database';
import { signedToTell } from '../yard/hookMessages';
import { unplan } from '../yard/planned';
import type { JobRow } from '../sql/tables';

/**
 * What a signed job changes besides its machine: the shims it took are no longer in the drawer, a
 * machine that was planned for a check has had it, and other programs are to be told. Done once,
 * with the signature that counts.
 */
export async function afterSigning(
  db: Database,
  { id, machine }: JobRow,
  transaction: Transaction,
): Promise<void> {
  const state = foldJob(await standingOf(db, id, transaction));
  if (state.abandoned) return;
  await signedToTell(db, id, transaction);
  if (isWhole(state.scope)) await unplan(db, machine, transaction);
  const taken = shimsFromDrawer(state);
  if (taken.length === 0) return;
  const shop = await db.tables.shops.findOne({ transaction });
  const shims = shop?.get().shims;
  if (!shop || !shims) return;
  const stock = drawerWithout(shims.stock, taken);
  await db.tables.shops.update({ shims: { ...shims, stock } }, { where: {}, transaction });
}
