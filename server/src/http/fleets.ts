import { FleetPostSchema, localDay, WaitingAnswerSchema } from '@longbar/core';
import { Router } from 'express';
import type { FleetKeeper } from '../fleet/fleetKeeper';
import type { Database } from '../store/sql/database';
import { endFleet, keepFleet, listFleets, settleWaiting } from '../store/hours/fleets';
import { askable } from './askable';
import { checked } from './errors';
import { noteOf } from './session';

/**
 * Telematics services that are asked for hours, and the readings that wait to be settled; `driftDue`
 * hears that one may have been the first of another meter.
 */
export function fleetRoutes(db: Database, keeper: FleetKeeper, driftDue?: () => void): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await listFleets(db));
  });
  routes.post('/', async (request, response) => {
    const post = askable(checked(FleetPostSchema, request.body));
    await keepFleet(db, post);
    await noteOf(db, request, 'fleet-changed', post.address);
    response.status(201).json(await listFleets(db));
  });
  routes.put('/:id', async (request, response) => {
    const post = askable(checked(FleetPostSchema, request.body));
    await keepFleet(db, post, request.params.id);
    await noteOf(db, request, 'fleet-changed', post.address);
    response.json(await listFleets(db));
  });
  routes.delete('/:id', async (request, response) => {
    await endFleet(db, request.params.id);
    await noteOf(db, request, 'fleet-changed', 'one is asked no more');
    response.json(await listFleets(db));
  });
  routes.post('/:id/ask', async (request, response) => {
    await keeper.askNow(request.params.id, new Date());
    response.json(await listFleets(db));
  });
  routes.post('/waiting/:reading', async (request, response) => {
    const answer = checked(WaitingAnswerSchema, request.body);
    const now = new Date();
    const at = { now: now.toISOString(), today: localDay(now) };
    await settleWaiting(db, Number(request.params.reading), answer, at);
    driftDue?.();
    response.json(await listFleets(db));
  });
  return routes;
}
