import { Router } from 'express';
import { sendRecordFile } from '../record/recordFile';
import { sendRecord } from '../record/recordPdf';
import type { Database } from '../store/sql/database';
import { sharedJob } from '../store/yard/shares';
import { checked } from './errors';
import { PaperSchema } from './queries';

/** A record that somebody of the shop shared: read by whoever has the link, until it ends. */
export function sharedRoutes(db: Database): Router {
  const routes = Router();
  routes.get('/:secret', async (request, response) => {
    const { paper } = checked(PaperSchema, request.query);
    await sendRecord(db, await sharedJob(db, request.params.secret, new Date()), paper, response);
  });
  routes.get('/:secret/file', async (request, response) => {
    await sendRecordFile(db, await sharedJob(db, request.params.secret, new Date()), response);
  });
  return routes;
}
