import type { PersonPatch } from '@longbar/core';
import { PairingPostSchema, PersonPatchSchema, PinTrySchema } from '@longbar/core';
import { Router } from 'express';
import { RequestError } from '../requestError';
import type { Database } from '../store/sql/database';
import { beginPairing } from '../store/yard/pairing';
import { changePerson, listPeople } from '../store/yard/people';
import { revokePhone } from '../store/yard/phones';
import { namesHere, setPin, tryPin } from '../store/yard/pins';
import { checked } from './errors';
import { onlyUuid } from './ids';
import { noteOf } from './session';

/** The people of the shop and their phones. */
export function peopleRoutes(db: Database): Router {
  const routes = Router();
  routes.param('id', onlyUuid);
  routes.get('/', async (_request, response) => {
    response.json(await listPeople(db));
  });
  routes.get('/names', async (_request, response) => {
    response.json(await namesHere(db));
  });
  routes.post('/pin', async (request, response) => {
    const { name, pin } = checked(PinTrySchema, request.body);
    await tryPin(db, name, pin, new Date()).catch(async (error: unknown) => {
      const isWrong =
        error instanceof RequestError && error.issues.some(({ path }) => path === 'pin');
      if (isWrong) await noteOf(db, request, 'pin-wrong', name);
      throw error;
    });
    response.sendStatus(204);
  });
  routes.patch('/:id', async (request, response) => {
    const patch = checked(PersonPatchSchema, request.body);
    const name = await changePerson(db, request.params.id, patch, new Date());
    if (patch.pin === null) await setPin(db, request.params.id, null);
    await noteOf(db, request, 'person-changed', `${name}: ${changeWords(patch)}`);
    response.json(await listPeople(db));
  });
  routes.post('/pairings', async (request, response) => {
    const whose = checked(PairingPostSchema, request.body);
    const { name, ...pairing } = await beginPairing(db, whose, new Date());
    await noteOf(db, request, 'code-shown', name);
    response.status(201).json(pairing);
  });
  routes.delete('/phones/:id', async (request, response) => {
    const name = await revokePhone(db, request.params.id, new Date());
    await noteOf(db, request, 'phone-let-go', name);
    response.json(await listPeople(db));
  });
  return routes;
}

function changeWords({ name, role, retired, pin }: PersonPatch): string {
  const said = [
    name !== undefined && `now called ${name}`,
    role !== undefined && `now a ${role}`,
    retired !== undefined && (retired ? 'has left' : 'is back'),
    pin === null && 'no PIN any more',
  ];
  return said.filter((each) => each !== false).join(', ');
}
