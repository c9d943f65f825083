import { EnterDemoSchema, PairSchema } from '@longbar/core';
import type { RequestHandler } from 'express';
import { json, Router } from 'express';
import { RequestError } from '../requestError';
import { noteAudit } from '../store/yard/audit';
import type { Database } from '../store/sql/database';
import { enterDemo } from '../store/yard/demoPeople';
import { doorOf } from '../store/yard/door';
import { pair } from '../store/yard/pairing';
import { shopOfCode } from '../store/yard/shops';
import { demoAtHand } from './demoDoor';
import { openApi } from './described/openApi';
import { checked } from './errors';
import { refuseDeep } from './refuseDeep';
import { letIn } from './session';
import { sharedRoutes } from './shared';

/**
 * What anybody may ask who is of no shop yet. Which shop it is about follows from what they hold, a
 * code or the link to a record; who holds none learns of no shop.
 */
export function openRoutes(db: Database, run: string): Router {
  const routes = Router();
  const taken: RequestHandler[] = [fresh, json({ limit: '1mb' }), refuseDeep];
  routes.get('/health', fresh, async (request, response) => {
    const demo = (await demoAtHand(db, request)) !== undefined;
    response.json({ ok: db.damage() === null, run, demo });
  });
  routes.get('/live', fresh, (_request, response) => {
    response.json({ ok: true });
  });
  routes.get('/openapi.json', fresh, async (_request, response) => {
    response.json(openApi((await doorOf(db)).cookie));
  });
  routes.post('/pair', ...taken, async (request, response) => {
    const asked = checked(PairSchema, request.body);
    // A code that no shop knows is refused where the server was begun.
    const shop = (await shopOfCode(db, asked.code)) ?? db;
    const paired = await pair(shop, asked, new Date()).catch(async (error: unknown) => {
      const about = request.ip ?? 'somewhere';
      if (isRefused(error)) await noteAudit(shop, { what: 'pairing-refused', who: null, about });
      throw error;
    });
    await noteAudit(shop, { what: 'phone-paired', who: paired.me.name });
    await letIn(shop, paired, response);
  });
  routes.post('/demo/enter', ...taken, async (request, response) => {
    const { as } = checked(EnterDemoSchema, request.body);
    const demo = await demoAtHand(db, request);
    if (!demo) {
      throw new RequestError(403, 'Only a demo is entered so, on the machine that it runs on.');
    }
    const paired = await enterDemo(demo, as, new Date());
    await noteAudit(demo, { what: 'phone-paired', who: paired.me.name });
    await letIn(demo, paired, response);
  });
  routes.use('/shared', fresh, sharedRoutes(db));
  return routes;
}

/** What is asked again is answered anew. */
const fresh: RequestHandler = (_request, response, next) => {
  response.set('Cache-Control', 'no-store');
  next();
};

/** A link that was used, ran out or never was. */
const isRefused = (error: unknown) => error instanceof RequestError && error.status === 410;
