import type { JobEvent } from '@longbar/core';
import {
  BeatSchema,
  JobBeginSchema,
  JobEventsSchema,
  localDay,
  MOST_EVENTS,
  SharePostSchema,
  SignatureSchema,
} from '@longbar/core';
import { Router } from 'express';
import type { Database } from '../store/sql/database';
import { appendEvents } from '../store/journal/appends';
import { beginJob, checkSeal, readEvents } from '../store/journal/jobs';
import { jobRow } from '../store/yard/jobRow';
import { readJob } from '../store/derived/readJob';
import { RequestError } from '../requestError';
import { checked } from './errors';
import { onlyUuid } from './ids';
import type { JobFeed } from './jobFeed';
import { streamJob } from './jobStream';
import { AfterSchema, PaperSchema } from './queries';
import { holderOf, isStillPaired, noteOf } from './session';
import { sendRecordFile } from '../record/recordFile';
import { sendRecord } from '../record/recordPdf';
import { beginPairing } from '../store/yard/pairing';
import { endShare, shareRecord, sharesOf } from '../store/yard/shares';
import { keepSignature } from '../store/journal/signatures';

export function jobRoutes(db: Database, feed: JobFeed, signed?: () => void): Router {
  const routes = Router();
  routes.param('id', onlyUuid);
  routes.param('share', onlyUuid);
  routes.post('/', async (request, response) => {
    const { head, made } = await beginJob(db, checked(JobBeginSchema, request.body));
    response.status(made ? 201 : 200).json(head);
  });
  routes.get('/:id', async (request, response) => {
    response.json(await readJob(db, request.params.id, localDay(new Date())));
  });
  routes.post('/:id/events', async (request, response) => {
    const { id } = request.params;
    if (Array.isArray(request.body) && request.body.length > MOST_EVENTS) {
      throw new RequestError(413, `Send at most ${MOST_EVENTS} events at a time.`);
    }
    const events = checked(JobEventsSchema, request.body);
    const issues = events.flatMap(({ job }, i) =>
      job === id ? [] : [{ path: `${i}.job`, message: 'This event belongs to another job.' }],
    );
    if (issues.length > 0) throw new RequestError(400, 'An event belongs to another job.', issues);
    if (holderOf(request).role === 'helper') refuseBeyondHelping(events);
    const accepted = await appendEvents(db, id, events, now(), holderOf(request).name);
    feed.changed(id);
    if (events.some(({ type }) => type === 'job.signed')) signed?.();
    response.json({ accepted });
  });
  routes.get('/:id/events', async (request, response) => {
    const { after } = checked(AfterSchema, request.query);
    response.json(await readEvents(db, request.params.id, after));
  });
  routes.get('/:id/seal', async (request, response) => {
    response.json(await checkSeal(db, request.params.id));
  });
  routes.post('/:id/helpers', async (request, response) => {
    await jobRow(db, request.params.id);
    const { name: _, ...pairing } = await beginPairing(db, 'helper', new Date());
    await noteOf(db, request, 'code-shown', 'a helper');
    response.status(201).json(pairing);
  });
  routes.post('/:id/signature', async (request, response) => {
    const signature = checked(SignatureSchema, request.body);
    await keepSignature(db, request.params.id, signature, holderOf(request));
    response.sendStatus(204);
  });

  routes.get('/:id/record-file', async (request, response) => {
    await sendRecordFile(db, request.params.id, response);
  });
  routes.get('/:id/shares', async (request, response) => {
    response.json(await sharesOf(db, request.params.id, new Date()));
  });
  routes.post('/:id/shares', async (request, response) => {
    const { days } = checked(SharePostSchema, request.body);
    const { name: by } = holderOf(request);
    const { share, secret } = await shareRecord(db, request.params.id, {
      by,
      days,
      now: new Date(),
    });
    await noteOf(db, request, 'record-shared', `for ${days} days`);
    response.status(201).json({ ...share, secret });
  });
  routes.delete('/:id/shares/:share', async (request, response) => {
    await endShare(db, request.params.id, request.params.share, new Date());
    await noteOf(db, request, 'share-ended');
    response.json(await sharesOf(db, request.params.id, new Date()));
  });

  routes.get('/:id/record.pdf', async (request, response) => {
    const { paper } = checked(PaperSchema, request.query);
    await sendRecord(db, request.params.id, paper, response);
  });

  routes.get('/:id/stream', async (request, response) => {
    const after = request.headers['last-event-id'] ?? request.query.after;
    const query = checked(AfterSchema, { after });
    await streamJob(db, feed, request.params.id, query.after, response, isStillPaired(db, request));
  });

  routes.post('/:id/beats', (request, response) => {
    const { id } = request.params;
    const beat = checked(BeatSchema, request.body);
    feed.beat(id, beat, holderOf(request).phone);
    response.sendStatus(204);
  });
  return routes;
}

/** A helper hangs and lifts their own lock; what is read and set is others' to write down. */
function refuseBeyondHelping(events: readonly JobEvent[]): void {
  const helps = (event: JobEvent) =>
    event.type === 'lock.hung' || (event.type === 'clear.said' && event.person === event.by);
  if (events.every(helps)) return;
  throw new RequestError(403, 'A helper writes down their own lock, and nothing else.');
}

function now(): string {
  return new Date().toISOString();
}
