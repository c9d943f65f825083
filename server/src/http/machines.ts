import { HoursPostSchema, localDay } from '@longbar/core';
import { Router } from 'express';
import type { Database } from '../store/database';
import { addHours, machineChecks, machineDetail, machineLines } from '../store/machines';
import { checked } from './errors';

export function machineRoutes(db: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.type('json').send(await machineLines(db, localDay(new Date())));
  });
  routes.get('/:id', async (request, response) => {
    response.json(await machineDetail(db, request.params.id, localDay(new Date())));
  });
  routes.get('/:id/checks', async (request, response) => {
    response.type('json').send(await machineChecks(db, request.params.id, localDay(new Date())));
  });
  routes.post('/:id/hours', async (request, response) => {
    const reading = checked(HoursPostSchema, request.body);
    response.status(201).json(await addHours(db, request.params.id, reading, localDay(new Date())));
  });
  return routes;
}
