import { ShopSchema } from '@longbar/core';
import { Router } from 'express';
import type { Database } from '../store/database';
import { readShop, writeShop } from '../store/shop';
import { checked } from './errors';

/** The shop's rules, blades and shims. A job keeps those it began with. */
export function shopRoutes(db: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await readShop(db));
  });
  routes.put('/', async (request, response) => {
    const shop = checked(ShopSchema, request.body);
    await db.write((transaction) => writeShop(db, shop, transaction));
    response.json(await readShop(db));
  });
  return routes;
}
