import { SHOP_HEADER } from '@longbar/core';
import type { RequestHandler } from 'express';
import { RequestError } from '../requestError';
import type { Database } from '../store/database';
import { identityOf } from '../store/shop';

/** What a phone may ask before it knows which shop this is. */
const OPEN = new Set(['/health', '/shop']);

/**
 * Refuses a phone that speaks to another shop, as to the demo that stood here before: what it
 * kept of that one must not land in this. Whoever names no shop, as a calendar, is let through.
 */
export function refuseOtherShops(db: Database): RequestHandler {
  return async (request, _response, next) => {
    const meant = request.get(SHOP_HEADER);
    const asks = request.method === 'GET' && OPEN.has(request.path);
    if (meant === undefined || asks) return next();
    if (meant !== (await identityOf(db)).id) {
      throw new RequestError(421, 'Another shop is kept here now. Open the application anew.');
    }
    next();
  };
}
