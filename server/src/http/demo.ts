import { EnterDemoSchema } from '@longbar/core';
import type { Request } from 'express';
import { Router } from 'express';
import { loadDemo, removeDemo } from '../demo/loadDemo';
import { RequestError } from '../requestError';
import { noteAudit } from '../store/yard/audit';
import type { Database } from '../store/sql/database';
import { enterDemo } from '../store/yard/demoPeople';
import { identityOf, readShopHere } from '../store/yard/shop';
import { checked } from './errors';
import { holderOf, letIn, noteOf } from './session';

/** The demo into an empty shop, and out again: all of it or nothing. */
export function demoRoutes(db: Database): Router {
  const routes = Router();
  routes.post('/', async (_request, response) => {
    if (!(await loadDemo(db, new Date()))) {
      throw new RequestError(409, 'The demo is loaded into an empty shop only. This one is not.');
    }
    response.status(201).json(await readShopHere(db));
  });
  routes.post('/enter', async (request, response) => {
    const { as } = checked(EnterDemoSchema, request.body);
    if (!(await isDemoDoor(db, request))) {
      throw new RequestError(403, 'Only a demo is entered so, on the machine that it runs on.');
    }
    const paired = await enterDemo(db, as, new Date());
    await noteAudit(db, { what: 'phone-paired', who: paired.me.name });
    await letIn(db, paired, response);
  });
  routes.delete('/', async (request, response) => {
    await removeDemo(db, holderOf(request).id);
    await noteOf(db, request, 'demo-removed');
    response.json(await readShopHere(db));
  });
  return routes;
}

const LOOPBACK = /^(::ffff:)?127\.|^\[?::1\]?$|^localhost$/;

/**
 * Whether whoever asks may just step in: it is the demo, and no other machine can ask. One that
 * passes others' requests on from this machine names them by another host.
 */
export async function isDemoDoor(db: Database, request: Request): Promise<boolean> {
  const { remoteAddress = '', localAddress = '' } = request.socket;
  const ends = [remoteAddress, localAddress, request.hostname ?? ''];
  const isHere = ends.every((end) => LOOPBACK.test(end));
  return isHere && (await identityOf(db)).demo;
}
