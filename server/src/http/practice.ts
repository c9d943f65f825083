import { isAtLeast, PracticeRoundSchema } from '@longbar/core';
import { Router } from 'express';
import type { Database } from '../store/sql/database';
import { keepRound, practiceOf } from '../store/yard/practice';
import { checked } from './errors';
import { holderOf } from './session';

/** How people practise: each sees their own, a foreman everybody’s. */
export function practiceRoutes(db: Database): Router {
  const routes = Router();
  routes.get('/', async (request, response) => {
    const { name, role } = holderOf(request);
    response.json(await practiceOf(db, isAtLeast(role, 'foreman') ? undefined : name));
  });
  routes.post('/', async (request, response) => {
    await keepRound(db, checked(PracticeRoundSchema, request.body));
    response.sendStatus(204);
  });
  return routes;
}
