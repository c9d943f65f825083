import { BlobTypeSchema, LARGEST_BLOB, Sha256Schema } from '@longbar/core';
import { raw, Router } from 'express';
import * as v from 'valibot';
import { RequestError, wrongField } from '../requestError';
import { keepBlob, readBlob } from '../store/journal/blobs';
import type { Database } from '../store/sql/database';
import { checked } from './errors';
import { onlyHash } from './ids';

const BlobSchema = v.object({ sha256: Sha256Schema, type: BlobTypeSchema });

/** Photos and sound clips that events name, by the hash of their bytes. */
export function blobRoutes(db: Database): Router {
  const routes = Router();
  routes.param('sha256', onlyHash);
  routes.put(
    '/:sha256',
    raw({ type: () => true, limit: LARGEST_BLOB }),
    async (request, response) => {
      const type = request.headers['content-type']?.split(';')[0] ?? '';
      const { sha256 } = checked(BlobSchema, { sha256: request.params.sha256, type });
      const body: unknown = request.body;
      if (!Buffer.isBuffer(body) || body.length === 0) {
        throw wrongField('body', 'There is nothing in it.');
      }
      const { made } = await keepBlob(db, sha256, type, body, new Date().toISOString());
      response.status(made ? 201 : 200).json({ sha256, type, size: body.length });
    },
  );
  routes.get('/:sha256', async (request, response) => {
    const blob = await readBlob(db, request.params.sha256);
    if (!blob) throw new RequestError(404, 'There is no such photo or clip.');
    response.set('Cache-Control', 'private, max-age=31536000, immutable');
    response.set('Content-Security-Policy', "default-src 'none'; sandbox");
    response.type(blob.type).send(blob.body);
  });
  return routes;
}
