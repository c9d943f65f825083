import { RebuildSchema, ShopSchema } from '@longbar/core';
import { Router } from 'express';
import type { Database } from '../store/sql/database';
import { readShopHere, rebuildShop, writeShop } from '../store/yard/shop';
import { checked } from './errors';
import { noteOf } from './session';

/**
 * The shop's rules, blades and shims. A job keeps those it began with; `driftDue` hears that drift
 * may be to be worked out by another risk.
 */
export function shopRoutes(db: Database, driftDue?: () => void): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await readShopHere(db));
  });
  routes.put('/', async (request, response) => {
    const shop = checked(ShopSchema, request.body);
    await db.write((transaction) => writeShop(db, shop, transaction));
    driftDue?.();
    await noteOf(db, request, 'rules-changed');
    response.json(await readShopHere(db));
  });
  routes.post('/rebuild', async (request, response) => {
    const { id, shop } = checked(RebuildSchema, request.body);
    await rebuildShop(db, id, shop);
    await noteOf(db, request, 'server-rebuilt');
    response.json(await readShopHere(db));
  });
  return routes;
}
