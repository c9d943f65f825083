import { Router } from 'express';
import { loadDemo, removeDemo } from '../demo/loadDemo';
import { RequestError } from '../requestError';
import type { Database } from '../store/sql/database';
import { readShopHere } from '../store/yard/shop';
import { holderOf, noteOf } from './session';

/** The demo into an empty shop, and out again: all of it or nothing. */
export function demoRoutes(db: Database): Router {
  const routes = Router();
  routes.post('/', async (_request, response) => {
    if (!(await loadDemo(db, new Date()))) {
      throw new RequestError(409, 'The demo is loaded into an empty shop only. This one is not.');
    }
    response.status(201).json(await readShopHere(db));
  });
  routes.delete('/', async (request, response) => {
    await removeDemo(db, holderOf(request).id);
    await noteOf(db, request, 'demo-removed');
    response.json(await readShopHere(db));
  });
  return routes;
}
