import { HookPostSchema } from '@longbar/core';
import { Router } from 'express';
import type { HookKeeper } from '../hooks/hookKeeper';
import type { Database } from '../store/sql/database';
import { addHook, endHook, listHooks, moveHook, renewSecret, sendAgain } from '../store/yard/hooks';
import { checked } from './errors';
import { askable } from './askable';
import { noteOf } from './session';

/** Programs elsewhere that are told of signed records and of what falls due. */
export function hookRoutes(db: Database, keeper: HookKeeper): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await listHooks(db));
  });
  routes.post('/', async (request, response) => {
    const post = askable(checked(HookPostSchema, request.body));
    const { id, secret } = await addHook(db, post);
    await noteOf(db, request, 'hook-changed', post.address);
    await keeper.sendTest(id, new Date());
    response.status(201).json({ hooks: await listHooks(db), secret });
  });
  routes.put('/:id', async (request, response) => {
    const post = askable(checked(HookPostSchema, request.body));
    await moveHook(db, request.params.id, post);
    await noteOf(db, request, 'hook-changed', post.address);
    response.json(await listHooks(db));
  });
  routes.post('/:id/secret', async (request, response) => {
    const secret = await renewSecret(db, request.params.id);
    await noteOf(db, request, 'hook-changed', 'another secret');
    response.status(201).json({ hooks: await listHooks(db), secret });
  });
  routes.post('/:id/send', async (request, response) => {
    const now = new Date();
    await sendAgain(db, request.params.id, now.toISOString());
    await keeper.sendTest(request.params.id, now);
    response.json(await listHooks(db));
  });
  routes.delete('/:id', async (request, response) => {
    await endHook(db, request.params.id);
    await noteOf(db, request, 'hook-changed', 'one is told no more');
    response.json(await listHooks(db));
  });
  return routes;
}
