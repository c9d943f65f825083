import { ignore, SHOP_HEADER } from '@longbar/core';
import type { RequestHandler } from 'express';
import { RequestError } from '../requestError';
import { Remembered } from '../store/remembered';
import type { Database } from '../store/sql/database';
import { identityOf } from '../store/yard/shop';

/** What a phone may ask before it knows which shop this is. */
const OPEN = new Set(['/shop', '/me']);

/**
 * Refuses a phone that speaks to another shop, as to the demo that stood here before: what it
 * kept of that one must not land in this. Whoever names no shop, as a calendar, is let through; who
 * names one is told which this is, so that no answer is kept with another.
 */
export function refuseOtherShops(db: Database): RequestHandler {
  return async (request, response, next) => {
    const meant = request.get(SHOP_HEADER);
    if (meant === undefined) return next();
    if (OPEN.has(request.path) && request.method === 'GET') {
      const here = await known(db).catch(ignore('what is asked says itself what is wrong'));
      if (here) response.set(SHOP_HEADER, here.id);
      return next();
    }
    const { id } = await known(db);
    if (meant !== id) {
      throw new RequestError(421, 'Another shop is kept here now. Open the application anew.');
    }
    response.set(SHOP_HEADER, id);
    next();
  };
}

const identities = new Remembered<{ id: string }>();

function known(db: Database): Promise<{ id: string }> {
  return identities.of(db, String(db.shop), () => identityOf(db));
}
