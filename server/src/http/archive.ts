import { randomUUID } from 'node:crypto';
import { open, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import type { Request } from 'express';
import { Router } from 'express';
import { RequestError } from '../requestError';
import { archiveLines } from '../store/exchange/archive';
import type { Database } from '../store/sql/database';
import { linesOf } from '../store/exchange/linesOf';
import { takeArchive } from '../store/exchange/takeArchive';
import { checked } from './errors';
import { PreviewSchema } from './queries';
import { noteOf } from './session';

/** The largest archive taken, unpacked: a big shop with years of photos. */
const LARGEST = 16 * 1024 ** 3;

/** The whole shop out as one file, and into an empty one, which lies in `incoming` meanwhile. */
export function archiveRoutes(db: Database, incoming: string): Router {
  const routes = Router();
  routes.get('/', async (request, response) => {
    await noteOf(db, request, 'archive-saved');
    response.type('application/x-ndjson');
    response.set('Content-Disposition', 'attachment; filename="long-bar-archive.jsonl"');
    await pipeline(Readable.from(archiveLines(db)), response);
  });
  routes.post('/', async (request, response) => {
    const { preview } = checked(PreviewSchema, request.query);
    // On the disk first: nobody's slow upload holds the database, and no memory holds all of it.
    const file = join(incoming, `longbar-import-${randomUUID()}`);
    try {
      await spool(request, file);
      const taken = await takeArchive(db, () => linesOf(file), preview === '1');
      if (preview !== '1') await noteOf(db, request, 'archive-imported');
      response.json(taken);
    } finally {
      await rm(file, { force: true });
    }
  });
  return routes;
}

/** Writes what comes into a file, unpacked. Throws RequestError where it cannot be unpacked. */
async function spool(request: Request, file: string): Promise<void> {
  const encoding = request.headers['content-encoding'] ?? 'identity';
  if (encoding !== 'identity' && encoding !== 'gzip') {
    throw new RequestError(415, 'Send the archive as it is, or packed by gzip.');
  }
  // A stream opens its file when it likes: what fails at once would be removed before it is there.
  const opened = await open(file, 'w');
  const into = [atMost(LARGEST), opened.createWriteStream()] as const;
  if (encoding === 'identity') return pipeline(request, ...into);
  await pipeline(request, createGunzip(), ...into).catch((error: NodeJS.ErrnoException) => {
    if (!error.code?.startsWith('Z_')) throw error;
    throw new RequestError(400, 'Nothing was imported. What came cannot be unpacked.');
  });
}

/** Lets so many bytes through. */
function atMost(most: number): Transform {
  let bytes = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      if (bytes > most) done(new RequestError(413, 'That is too large to send at once.'));
      else done(null, chunk);
    },
  });
}
