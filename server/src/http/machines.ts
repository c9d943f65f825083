import {
  HoursCorrectionSchema,
  HoursPostSchema,
  localDay,
  MachinePatchSchema,
  MachinePostSchema,
} from '@longbar/core';
import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import type { Request, Response } from 'express';
import { Router } from 'express';
import type { Database } from '../store/sql/database';
import { addHours, correctHours } from '../store/hours/hours';
import { addMachine, changeMachine, deleteMachine } from '../store/yard/machineChanges';
import type { Page } from '../store/derived/packedPages';
import { packedPage } from '../store/derived/packedPages';
import { checked } from './errors';
import { onlyReading, onlyUuid } from './ids';
import { RetiredSchema } from './queries';
import { noteOf } from './session';

const unpacked = promisify(gunzip);

/**
 * The machines of the yard; `driftDue` hears that the drift of one is to be worked out anew, by
 * another sheet or other hours.
 */
export function machineRoutes(db: Database, driftDue?: () => void): Router {
  const routes = Router();
  routes.param('id', onlyUuid);
  routes.param('reading', onlyReading);
  /** Sends what is asked for most as it was packed once. */
  const send = async (request: Request, response: Response, page: Page) => {
    const packed = await packedPage(db, page, localDay(new Date()));
    response.type('json').vary('Accept-Encoding');
    if (!request.acceptsEncodings('gzip')) return response.end(await unpacked(packed));
    response.set('Content-Encoding', 'gzip').end(packed);
  };
  routes.get('/', async (request, response) => {
    const retired = checked(RetiredSchema, request.query).retired === '1';
    await send(request, response, retired ? 'yard retired' : 'yard');
  });
  routes.post('/', async (request, response) => {
    const machine = checked(MachinePostSchema, request.body);
    const { made } = await addMachine(db, machine, localDay(new Date()));
    response.status(made ? 201 : 200);
    await send(request, response, `machine ${machine.id}`);
  });
  routes.patch('/:id', async (request, response) => {
    const { id } = request.params;
    const patch = checked(MachinePatchSchema, request.body);
    const now = new Date();
    await changeMachine(db, id, patch, now.toISOString(), localDay(now));
    if (patch.sheet !== undefined) driftDue?.();
    await send(request, response, `machine ${id}`);
  });
  routes.delete('/:id', async (request, response) => {
    const name = await deleteMachine(db, request.params.id);
    await noteOf(db, request, 'machine-deleted', name);
    response.sendStatus(204);
  });
  routes.get('/:id', async (request, response) => {
    const { id } = request.params;
    await send(request, response, `machine ${id}`);
  });
  routes.get('/:id/checks', async (request, response) => {
    const { id } = request.params;
    await send(request, response, `checks ${id}`);
  });
  routes.post('/:id/hours', async (request, response) => {
    const reading = checked(HoursPostSchema, request.body);
    const read = await addHours(db, request.params.id, reading, localDay(new Date()));
    if (reading.replaced) driftDue?.();
    response.status(201).json(read);
  });
  routes.patch('/:id/hours/:reading', async (request, response) => {
    const { id, reading } = request.params;
    const right = checked(HoursCorrectionSchema, request.body);
    await correctHours(db, id, reading, right, localDay(new Date()));
    driftDue?.();
    await send(request, response, `machine ${id}`);
  });
  return routes;
}
