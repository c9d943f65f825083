import { localDay, PlanPutSchema, PlansPostSchema } from '@longbar/core';
import { Router } from 'express';
import { sendWeeks } from '../record/weeksPdf';
import type { Database } from '../store/sql/database';
import { planAll, planMachine, readWeeks } from '../store/planning/weeks';
import type { FindWeeks } from '../weeks/findWeeks';
import { offerWeeks } from '../weeks/offer';
import { checked } from './errors';
import { onlyUuid } from './ids';
import { PaperSchema } from './queries';

/** The coming weeks: what is due, who opens what when, and what has to be there for it. */
export function weekRoutes(db: Database, find: FindWeeks): Router {
  const routes = Router();
  routes.param('id', onlyUuid);
  const today = () => localDay(new Date());
  routes.get('/', async (_request, response) => {
    response.json(await readWeeks(db, today()));
  });
  routes.get('/plan.pdf', async (request, response) => {
    const { paper } = checked(PaperSchema, request.query);
    await sendWeeks(db, today(), paper, response);
  });
  routes.post('/offer', async (_request, response) => {
    response.json(await offerWeeks(db, today(), find));
  });
  routes.post('/', async (request, response) => {
    await planAll(db, checked(PlansPostSchema, request.body), today());
    response.json(await readWeeks(db, today()));
  });
  routes.put('/:id', async (request, response) => {
    const put = checked(PlanPutSchema, request.body);
    await planMachine(db, request.params.id, put, today());
    response.json(await readWeeks(db, today()));
  });
  return routes;
}
