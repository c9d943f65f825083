import type { Request } from 'express';
import { Router } from 'express';
import { inShop } from '../inShop';
import { sendRecordFile } from '../record/recordFile';
import { sendRecord } from '../record/recordPdf';
import type { Database } from '../store/sql/database';
import { sharedJob } from '../store/yard/shares';
import { readShop } from '../store/yard/shop';
import { shopOfShare } from '../store/yard/shops';
import { checked } from './errors';
import { PaperSchema } from './queries';

/** A record that somebody of a shop shared: read by whoever has the link, until it ends. */
export function sharedRoutes(db: Database): Router {
  const routes = Router();
  const read = async (
    { params }: Request<{ secret: string }>,
    send: (shop: Database, job: string) => Promise<void>,
  ) => {
    const shop = (await shopOfShare(db, params.secret)) ?? db;
    const job = await sharedJob(shop, params.secret, new Date());
    await inShop(await readShop(shop), () => send(shop, job));
  };
  routes.get('/:secret', async (request, response) => {
    const { paper } = checked(PaperSchema, request.query);
    await read(request, (shop, job) => sendRecord(shop, job, paper, response));
  });
  routes.get('/:secret/file', async (request, response) => {
    await read(request, (shop, job) => sendRecordFile(shop, job, response));
  });
  return routes;
}
