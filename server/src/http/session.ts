import type { Audited, Role } from '@longbar/core';
import { ignore, isAtLeast, SHOP_HEADER } from '@longbar/core';
import type { Request, RequestHandler, Response } from 'express';
import { RequestError } from '../requestError';
import { noteAudit } from '../store/yard/audit';
import type { Database } from '../store/sql/database';
import { doorOf } from '../store/yard/door';
import { shopOfCalendar } from '../store/yard/shops';
import { identityOf, readShop } from '../store/yard/shop';
import { inShop } from '../inShop';
import type { Holder, Paired } from '../store/yard/phones';
import { noteSeen, whoHolds } from '../store/yard/phones';
import { Remembered } from '../store/remembered';
import { ruleOf } from './rules';

/** A phone stays paired so long, ms: browsers keep no cookie longer. */
const STAYS_PAIRED = 400 * 86_400_000;

const asking = new WeakMap<Request, Holder>();
const shops = new WeakMap<Request, Database>();

/** Who asks. Throws where the route lets anybody in. */
export function holderOf(request: Request): Holder {
  const holder = asking.get(request);
  if (!holder) throw new RequestError(401, NOT_PAIRED);
  return holder;
}

/** The shop that a request is about: that of the phone that asks. Throws where anybody is let in. */
export function shopOf(request: Request): Database {
  const shop = shops.get(request);
  if (!shop) throw new RequestError(401, NOT_PAIRED);
  return shop;
}

/** Who may, as it is said to one who may not. */
const ONLY: Record<Role, string> = {
  reader: 'Only somebody of the shop may do this.',
  helper: 'Only a helper, a technician or a foreman may do this.',
  technician: 'Only a technician or a foreman may do this.',
  foreman: 'Only a foreman may do this.',
};

const NOT_PAIRED = 'This phone is not paired with this shop. A foreman shows a code for it.';

/** The phone or the person that asks, to be counted by; null where nobody is known. */
export const countedBy = (key: 'phone' | 'id') => (request: Request) =>
  asking.get(request)?.[key] ?? null;

/**
 * Lets each request through that its rule lets through, and nothing that has no rule. From here on
 * it is about the shop of the phone that asks, and goes by that shop's days and units.
 */
export function onlyWhoMay(db: Database): RequestHandler {
  return async (request, _response, next) => {
    const rule = ruleOf(request.method, request.path);
    if (rule === 'open') return next();
    const { key } = request.query;
    if (rule === 'key' && typeof key === 'string') {
      const shop = await shopOfCalendar(db, key);
      if (shop) {
        shops.set(request, shop);
        return inShop(await readShop(shop), next);
      }
    }
    const me = await whoAsks(db, request);
    if (!me) throw new RequestError(401, NOT_PAIRED);
    asking.set(request, me);
    // A route that nobody gave a rule answers to no one.
    if (rule === undefined) throw new RequestError(404, 'There is nothing here.');
    if (rule !== 'key' && !isAtLeast(me.role, rule)) throw new RequestError(403, ONLY[rule]);
    const shop = db.of(me.shop);
    shops.set(request, shop);
    noteSeen(shop, me, new Date()).catch(ignore('it is noted at the next request again'));
    inShop(me.shown, next);
  };
}

async function whoAsks(db: Database, request: Request): Promise<Holder | undefined> {
  const { cookie } = await doorOf(db);
  const token = cookieOf(request, cookie);
  if (token === undefined) return undefined;
  return holders.of(db, token, () => whoHolds(db, token));
}

const holders = new Remembered<Holder>();

/** Whether the phone that asked is paired still; it may be let go while a stream goes on. */
export function isStillPaired(db: Database, request: Request): () => Promise<boolean> {
  return async () => (await whoAsks(db, request)) !== undefined;
}

function cookieOf(request: Request, name: string): string | undefined {
  const pairs = (request.headers.cookie ?? '').split(';').map((pair) => pair.trim());
  return pairs.find((pair) => pair.startsWith(`${name}=`))?.slice(name.length + 1);
}

/** The phone holds its token from here on, where no script can read it. */
export async function letIn(db: Database, { token, me }: Paired, response: Response) {
  const [{ cookie }, { id }] = await Promise.all([doorOf(db), identityOf(db)]);
  response.set(SHOP_HEADER, id);
  response.cookie(cookie, token, {
    httpOnly: true,
    sameSite: 'strict',
    secure: response.req.secure,
    maxAge: STAYS_PAIRED,
    path: '/',
  });
  response.status(201).json(me);
}

/** Notes what a phone has done, under the name of its person. */
export function noteOf(db: Database, request: Request, what: Audited, about = ''): Promise<void> {
  return noteAudit(db, { what, who: holderOf(request).name, about });
}
