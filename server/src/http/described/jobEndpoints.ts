import {
  BeatSchema,
  EventsPageSchema,
  JobBeginSchema,
  JobContextSchema,
  JobEventsSchema,
  JobHeadSchema,
  NewShareSchema,
  PairingSchema,
  SealSchema,
  SharePostSchema,
  SharesSchema,
  SignatureSchema,
} from '@longbar/core';
import * as v from 'valibot';
import { AfterSchema, PaperSchema } from '../queries';
import type { EndpointName } from '../rules';
import type { Endpoint } from './endpoint';

const PDF = { media: 'application/pdf' };
/** A line of canonical JSON, and the SHA-256 of it on another: docs/formats.md says how. */
const RECORD = { media: 'application/json' };
const accepted = v.object({ accepted: v.array(v.string()) });
const kept = v.object({ sha256: v.string(), type: v.string(), size: v.number() });

/** Jobs: their journals, records, signatures and links. */
export const JOB_ENDPOINTS = {
  'POST /jobs': {
    does: 'Begins a job at a machine. Sent again under the same id it changes nothing.',
    takes: JobBeginSchema,
    answers: { 200: JobHeadSchema, 201: JobHeadSchema },
  },
  'GET /jobs/:id': {
    does: 'Tells what working on a job needs besides its journal.',
    answers: { 200: JobContextSchema },
  },
  'GET /jobs/:id/events': {
    does: 'Reads a page of the journal of a job, in the order of arrival.',
    query: AfterSchema,
    answers: { 200: EventsPageSchema },
  },
  'POST /jobs/:id/events': {
    does: 'Adds events to the journal of a job. One that is kept already is kept once.',
    takes: JobEventsSchema,
    answers: { 200: accepted },
  },
  'GET /jobs/:id/seal': {
    does: 'Tells the seal of a signed job and whether its events still have it.',
    answers: { 200: SealSchema },
  },
  'POST /jobs/:id/signature': {
    does: 'Adds the signature of a phone’s key over the seal of a job.',
    takes: SignatureSchema,
    answers: { 204: null },
  },
  'POST /jobs/:id/helpers': {
    does: 'Makes a code by which a helper’s phone joins.',
    answers: { 201: PairingSchema },
  },
  'GET /jobs/:id/record.pdf': {
    does: 'Sends the record of a job as a document.',
    query: PaperSchema,
    answers: { 200: PDF },
  },
  'GET /jobs/:id/record-file': {
    does: 'Sends a signed job as one file that proves itself.',
    answers: { 200: RECORD },
  },
  'GET /jobs/:id/shares': {
    does: 'Lists the links to a record that have not ended.',
    answers: { 200: SharesSchema },
  },
  'POST /jobs/:id/shares': {
    does: 'Makes a link to a record. Its secret is told this once.',
    takes: SharePostSchema,
    answers: { 201: NewShareSchema },
  },
  'DELETE /jobs/:id/shares/:share': {
    does: 'Ends a link to a record.',
    answers: { 200: SharesSchema },
  },
  'GET /jobs/:id/stream': {
    does: 'Streams what is added to a journal: server-sent events named `events` and `beat`.',
    query: AfterSchema,
    answers: { 200: { media: 'text/event-stream' } },
  },
  'POST /jobs/:id/beats': {
    does: 'Says how one side of the link between the rockers and the bar stands.',
    takes: BeatSchema,
    answers: { 204: null },
  },
  'GET /shared/:secret': {
    does: 'Sends a record to whoever has its link.',
    query: PaperSchema,
    answers: { 200: PDF },
  },
  'GET /shared/:secret/file': {
    does: 'Sends a record to whoever has its link, as a file that proves itself.',
    answers: { 200: RECORD },
  },
  'GET /blobs/:sha256': {
    does: 'Sends a photo or a clip by the hash of its bytes.',
    answers: { 200: { media: '*/*' } },
  },
  'PUT /blobs/:sha256': {
    does: 'Keeps a photo or a clip under the hash of its bytes.',
    takes: { media: '*/*' },
    answers: { 200: kept, 201: kept },
  },
} satisfies Partial<Record<EndpointName, Endpoint>>;
