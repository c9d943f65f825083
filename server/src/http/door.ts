import { fingerprintOf, KeyPutSchema, PinPutSchema } from '@longbar/core';
import { Router } from 'express';
import { readAudit } from '../store/yard/audit';
import type { Database } from '../store/sql/database';
import { doorOf, renewCalendar } from '../store/yard/door';
import { setPin } from '../store/yard/pins';
import { registerKey } from '../store/journal/keys';
import { meOf, revokePhone } from '../store/yard/phones';
import { checked } from './errors';
import { holderOf, noteOf } from './session';

/** Who asks, their phone and what it signs by, and what the shop is known by outside. */
export function doorRoutes(db: Database): Router {
  const routes = Router();
  routes.get('/me', async (request, response) => {
    response.json(await meOf(db, holderOf(request)));
  });
  routes.delete('/me', async (request, response) => {
    const { phone, name } = holderOf(request);
    await revokePhone(db, phone, new Date());
    await noteOf(db, request, 'phone-let-go', name);
    response.sendStatus(204);
  });
  routes.put('/me/key', async (request, response) => {
    const { key } = checked(KeyPutSchema, request.body);
    const holder = holderOf(request);
    const isNew = await registerKey(db, holder, key, new Date());
    if (isNew) await noteOf(db, request, 'key-registered', fingerprintOf(key));
    response.json({ name: holder.name });
  });
  routes.put('/me/pin', async (request, response) => {
    const { pin } = checked(PinPutSchema, request.body);
    await setPin(db, holderOf(request).id, pin);
    await noteOf(db, request, 'pin-set', pin === null ? 'none' : 'another');
    response.sendStatus(204);
  });
  routes.get('/audit', async (_request, response) => {
    response.json(await readAudit(db));
  });
  routes.get('/calendar', async (_request, response) => {
    const { calendar } = await doorOf(db);
    response.json({ key: calendar });
  });
  routes.post('/calendar', async (request, response) => {
    await renewCalendar(db);
    await noteOf(db, request, 'calendar-renewed');
    const { calendar } = await doorOf(db);
    response.status(201).json({ key: calendar });
  });
  return routes;
}
