import { HoursPostSchema, localDay } from '@longbar/core';
import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import type { Request, Response } from 'express';
import { Router } from 'express';
import type { Database } from '../store/database';
import { addHours, machineChecks, machineDetail, machineLines } from '../store/machines';
import { packedAnswer } from '../store/packedAnswers';
import { settle } from '../store/readTables';
import { checked } from './errors';

const unpacked = promisify(gunzip);

export function machineRoutes(db: Database): Router {
  const routes = Router();
  /** Sends what is asked for most as it was packed once. */
  const send = async (
    request: Request,
    response: Response,
    key: string,
    make: (today: string) => Promise<string>,
  ) => {
    const today = localDay(new Date());
    await settle(db, today);
    const packed = await packedAnswer(db, key, () => make(today));
    response.type('json').vary('Accept-Encoding');
    if (!request.acceptsEncodings('gzip')) return response.end(await unpacked(packed));
    response.set('Content-Encoding', 'gzip').end(packed);
  };
  routes.get('/', async (request, response) => {
    await send(request, response, 'yard', (today) => machineLines(db, today));
  });
  routes.get('/:id', async (request, response) => {
    const { id } = request.params;
    await send(request, response, `machine ${id}`, (today) => machineDetail(db, id, today));
  });
  routes.get('/:id/checks', async (request, response) => {
    const { id } = request.params;
    await send(request, response, `checks ${id}`, (today) => machineChecks(db, id, today));
  });
  routes.post('/:id/hours', async (request, response) => {
    const reading = checked(HoursPostSchema, request.body);
    response.status(201).json(await addHours(db, request.params.id, reading, localDay(new Date())));
  });
  return routes;
}
