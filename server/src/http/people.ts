import { PairingPostSchema, PersonPatchSchema } from '@longbar/core';
import { Router } from 'express';
import type { Database } from '../store/database';
import { beginPairing, changePerson, listPeople, revokePhone } from '../store/people';
import { checked } from './errors';
import { onlyUuid } from './ids';

/** The people of the shop and their phones. */
export function peopleRoutes(db: Database): Router {
  const routes = Router();
  routes.param('id', onlyUuid);
  routes.get('/', async (_request, response) => {
    response.json(await listPeople(db));
  });
  routes.patch('/:id', async (request, response) => {
    const patch = checked(PersonPatchSchema, request.body);
    await changePerson(db, request.params.id, patch, new Date());
    response.json(await listPeople(db));
  });
  routes.post('/pairings', async (request, response) => {
    const whose = checked(PairingPostSchema, request.body);
    response.status(201).json(await beginPairing(db, whose, new Date()));
  });
  routes.delete('/phones/:id', async (request, response) => {
    await revokePhone(db, request.params.id, new Date());
    response.json(await listPeople(db));
  });
  return routes;
}
