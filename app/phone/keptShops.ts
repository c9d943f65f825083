import type { Shop } from '@longbar/core';
import { ShopHereSchema, ShopSchema } from '@longbar/core';
import * as v from 'valibot';
import { openPhoneDatabase } from './phoneDatabase';
import { otherShops } from './shopOfPhone';

/** A shop that this phone worked for, besides the one that answers now. */
export type KeptShop = {
  id: string;
  shop: Shop;
  /** When its server answered last. */
  at: string;
  machines: number;
  jobs: number;
};

/** What this phone keeps of other shops; the demo is none, nor is one that nobody named. */
export async function keptShops(): Promise<KeptShop[]> {
  const found: KeptShop[] = [];
  for (const { id, database } of otherShops()) {
    const db = await openPhoneDatabase(database);
    const answer = await db.answer('/shop');
    const here = v.safeParse(ShopHereSchema, answer?.body);
    if (!answer || !here.success || here.output.demo || here.output.unnamed) continue;
    const [machines, jobs] = await Promise.all([db.answersUnder('/machines/'), db.jobs()]);
    found.push({
      id,
      shop: v.parse(ShopSchema, here.output),
      at: answer.at,
      machines: machines.filter(({ path }) => path.split('/').length === 3).length,
      jobs: jobs.length,
    });
  }
  return found;
}
