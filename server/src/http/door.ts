import { PairSchema } from '@longbar/core';
import { Router } from 'express';
import type { Database } from '../store/database';
import { doorOf, meOf, pair, renewCalendar } from '../store/people';
import { checked } from './errors';
import { holderOf, letIn } from './session';

/** Who asks, and how a phone comes to be somebody's. */
export function doorRoutes(db: Database): Router {
  const routes = Router();
  routes.get('/me', async (request, response) => {
    response.json(await meOf(db, holderOf(request)));
  });
  routes.post('/pair', async (request, response) => {
    const asked = checked(PairSchema, request.body);
    await letIn(db, await pair(db, asked, new Date()), response);
  });
  routes.get('/calendar', async (_request, response) => {
    const { calendar } = await doorOf(db);
    response.json({ key: calendar });
  });
  routes.post('/calendar', async (_request, response) => {
    await renewCalendar(db);
    const { calendar } = await doorOf(db);
    response.status(201).json({ key: calendar });
  });
  return routes;
}
