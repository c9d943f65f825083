import { SHOP_HEADER } from '@longbar/core';
import type { RequestHandler } from 'express';
import { RequestError } from '../requestError';
import type { Database } from '../store/database';
import { identityOf } from '../store/shop';

/** What a phone may ask before it knows which shop this is. */
const OPEN = new Set(['/health', '/shop', '/me']);

/** A phone that is paired with another shop from here on. */
const ENTERS = new Set(['/pair', '/demo/enter']);

/**
 * Refuses a phone that speaks to another shop, as to the demo that stood here before: what it
 * kept of that one must not land in this. Whoever names no shop, as a calendar, is let through.
 */
export function refuseOtherShops(db: Database): RequestHandler {
  return async (request, _response, next) => {
    const meant = request.get(SHOP_HEADER);
    const asks = OPEN.has(request.path) && request.method === 'GET';
    const enters = ENTERS.has(request.path) && request.method === 'POST';
    if (meant === undefined || asks || enters) return next();
    if (meant !== (await identityOf(db)).id) {
      throw new RequestError(421, 'Another shop is kept here now. Open the application anew.');
    }
    next();
  };
}
