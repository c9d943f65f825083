import type { JobEvent } from '@longbar/core';
import { RECORD_FORMAT, sealedEvents, writeRecordFile } from '@longbar/core';
import type { Response } from 'express';
import { RequestError } from '../requestError';
import { standingOf } from '../store/journal/arrival';
import { sha256 } from '../store/journal/blobs';
import type { Database } from '../store/sql/database';
import { headOf } from '../store/journal/jobHead';
import { jobRow } from '../store/yard/jobRow';
import { signatureOn } from '../store/journal/signatures';

/** Sends a signed record as one file that proves itself. Throws RequestError 404 or 409. */
export async function sendRecordFile(db: Database, id: string, response: Response): Promise<void> {
  const text = await recordFileOf(db, id);
  response.type('application/json');
  response.set('Content-Disposition', `attachment; filename="record-${id}.json"`);
  response.send(text);
}

async function recordFileOf(db: Database, id: string): Promise<string> {
  const job = await jobRow(db, id);
  const standing = await standingOf(db, id);
  const events = sealedEvents(standing);
  if (!events) throw new RequestError(409, 'Only a signed record is a file of its own.');
  const sealed = new Set(events.map((event) => event.id));
  const additions = standing.filter((event: JobEvent) => !sealed.has(event.id));
  const found = await signatureOn(db, job);
  const { fits: _, ...signature } = found ?? { fits: false };
  return writeRecordFile(
    {
      format: RECORD_FORMAT,
      job: headOf(job),
      events,
      additions,
      signature: 'words' in signature ? signature : null,
    },
    (line) => sha256(Buffer.from(line)),
  );
}
