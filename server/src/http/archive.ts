import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Router, text } from 'express';
import * as v from 'valibot';
import { archiveLines, takeArchive } from '../store/archive';
import type { Database } from '../store/database';
import { checked } from './errors';

const PreviewSchema = v.object({
  preview: v.optional(v.picklist(['0', '1'], 'Preview is 1 or 0.'), '0'),
});
const LARGEST = 512 * 1024 * 1024;

/** The whole shop out as one file, and into an empty one. */
export function archiveRoutes(db: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.type('application/x-ndjson');
    response.set('Content-Disposition', 'attachment; filename="long-bar-archive.jsonl"');
    await pipeline(Readable.from(archiveLines(db)), response);
  });
  routes.post('/', text({ type: () => true, limit: LARGEST }), async (request, response) => {
    const { preview } = checked(PreviewSchema, request.query);
    const body: unknown = request.body;
    response.json(await takeArchive(db, typeof body === 'string' ? body : '', preview === '1'));
  });
  return routes;
}
