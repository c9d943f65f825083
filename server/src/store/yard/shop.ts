import { randomUUID } from 'node:crypto';
import type { Shop, ShopHere } from '@longbar/core';
import { NEW_SHOP, ShopSchema, USUAL_RISK } from '@longbar/core';
import type { Transaction } from 'sequelize';
import * as v from 'valibot';
import { RequestError } from '../../requestError';
import { truth } from '../sql/columns';
import type { Database } from '../sql/database';
import { clockChanged, openJobsChanged, riskChanged } from '../stale';
import { companyRunFrom } from './companies';
import type { SetAside } from '../setAside';
import { listSetAside } from '../setAside';
import type { ShopRow } from '../sql/tables';

/** The rules of the shop, as a new one has them where none were kept. */
export async function readShop({ tables }: Database, transaction?: Transaction): Promise<Shop> {
  const row = await tables.shops.findOne({ ...(transaction && { transaction }) });
  return row ? wholeShop(row.get()).shop : NEW_SHOP;
}

/** The rules as they are kept; where one cannot be read, what a new shop has, and that is said. */
function wholeShop(row: ShopRow): { shop: Shop; spoiled: SetAside[] } {
  const said = Object.entries(row).filter(([, value]) => value !== null);
  const whole = v.safeParse(ShopSchema, Object.fromEntries(said));
  if (whole.success) return { shop: whole.output, spoiled: [] };
  const spoiled: SetAside[] = [];
  const sound = said.filter(([key, value]) => {
    const field = v.safeParse(v.partial(ShopSchema), { [key]: value });
    const [issue] = field.issues ?? [];
    if (issue) spoiled.push({ name: `The shop’s rules: ${key}`, why: issue.message });
    return !issue;
  });
  return { shop: v.parse(ShopSchema, { ...NEW_SHOP, ...Object.fromEntries(sound) }), spoiled };
}

/** The shop, and which of all shops it is. */
export async function readShopHere(db: Database): Promise<ShopHere> {
  const [row, identity, listed, company, [waits]] = await Promise.all([
    db.tables.shops.findOne(),
    identityOf(db),
    listSetAside(db),
    companyRunFrom(db),
    db.rows(
      v.object({ count: v.number() }),
      'SELECT count(*) AS count FROM waiting_hours WHERE shop = $shop AND leftOut = 0',
    ),
  ]);
  const { shop, spoiled } = row ? wholeShop(row.get()) : { shop: NEW_SHOP, spoiled: [] };
  const aside = [...spoiled, ...listed];
  const damage = db.damage();
  return {
    ...shop,
    ...identity,
    unnamed: row === null,
    ...(company && { company: company.name }),
    ...(damage !== null && { damage }),
    ...(waits && waits.count > 0 && { hoursWaiting: waits.count }),
    ...(db.lost > 0 && { lost: db.lost }),
    ...(aside.length > 0 && { setAside: aside }),
  };
}

/** Which of all shops it is, and which life of its database this is. */
type Identity = { id: string; demo: boolean; generation: string };

/** Which of all shops this is. */
export async function identityOf(db: Database): Promise<Identity> {
  const [row] = await db.rows(
    v.object({ id: v.string(), demo: truth, generation: v.string() }),
    'SELECT id, demo, generation FROM identity WHERE shop = $shop',
  );
  if (!row) throw new Error('The database does not say which shop it holds.');
  return row;
}

/** Whether nothing was written down in this shop yet, not even its name. */
export async function isEmptyShop(db: Database, transaction: Transaction): Promise<boolean> {
  const [found] = await db.rows(
    v.object({ some: truth }),
    `SELECT EXISTS (SELECT 1 FROM shops WHERE shop = $shop)
       OR EXISTS (SELECT 1 FROM sheets WHERE shop = $shop)
       OR EXISTS (SELECT 1 FROM machines WHERE shop = $shop) AS some`,
    [],
    transaction,
  );
  return found?.some === false;
}

/** From here on it is this of all shops, in a life of its own. */
export async function becomeShop(
  db: Database,
  id: string,
  demo: boolean,
  transaction: Transaction,
): Promise<void> {
  await db.run(
    'UPDATE identity SET id = $1, demo = $2, generation = $3 WHERE shop = $shop',
    [id, demo, randomUUID()],
    transaction,
  );
}

/**
 * An empty database becomes again the shop that phones keep, whose server was lost: each of them
 * then offers what it holds. The same again changes nothing. Throws RequestError 409 elsewhere.
 */
export async function rebuildShop(db: Database, id: string, shop?: Shop): Promise<void> {
  await db.write(async (transaction) => {
    if ((await identityOf(db)).id === id) return;
    const elsewhere = 'SELECT 1 FROM identity WHERE id = $1';
    const other = await db.whole.some(elsewhere, [id], transaction);
    if (other || !(await isEmptyShop(db, transaction))) {
      throw new RequestError(409, 'Only an empty server becomes a shop again. This one is not.');
    }
    if (shop) await writeShop(db, shop, transaction);
    await becomeShop(db, id, false, transaction);
  });
}

/** Keeps the shop's rules in place of those there were. */
export async function writeShop(db: Database, shop: Shop, transaction: Transaction): Promise<void> {
  const { name, policy, bladeSets } = shop;
  const row: ShopRow = {
    ...{ name, policy, bladeSets },
    address: shop.address || null,
    timeZone: shop.timeZone ?? null,
    units: shop.units ?? null,
    round: shop.round ?? null,
    shims: shop.shims ?? null,
    soon: shop.soon ?? null,
    driftRisk: shop.driftRisk ?? null,
    aim: shop.aim ?? null,
    weekHours: shop.weekHours ?? null,
  };
  const known = await db.tables.shops.findOne({ transaction });
  if (known && known.get().timeZone !== row.timeZone) await clockChanged(db, transaction);
  const risk = known?.get().driftRisk ?? USUAL_RISK;
  if (risk !== (row.driftRisk ?? USUAL_RISK)) await riskChanged(db, transaction);
  if (known) await db.tables.shops.update(row, { where: {}, transaction });
  else await db.tables.shops.create(row, { transaction });
  await openJobsChanged(db, transaction);
}
