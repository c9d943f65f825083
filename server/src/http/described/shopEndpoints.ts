import {
  AuditSchema,
  BackupsSchema,
  CalendarSchema,
  CompanyMoveSchema,
  CompanySchema,
  CompanySheetPutSchema,
  CompanySheetsSchema,
  EnterDemoSchema,
  HealthSchema,
  MeSchema,
  RebuildSchema,
  ShopHereSchema,
  ShopSchema,
} from '@longbar/core';
import * as v from 'valibot';
import { PreviewSchema } from '../queries';
import type { EndpointName } from '../rules';
import type { Endpoint } from './endpoint';

const LINES = { media: 'application/x-ndjson' };

/** The shop as a whole: its rules, what is kept of it, and the demo. */
export const SHOP_ENDPOINTS = {
  'GET /health': {
    does: 'Tells whether the server works. While it is starting it answers 503.',
    answers: { 200: HealthSchema },
  },
  'GET /live': {
    does: 'Tells that the server runs, as soon as it does and before it is ready.',
    answers: { 200: v.object({ ok: v.literal(true) }) },
  },
  'GET /metrics': {
    does: 'Sends figures of how the server does, in the text format of Prometheus, to who sends the key of LONGBAR_METRICS_KEY as a bearer token.',
    answers: { 200: { media: 'text/plain' } },
  },
  'GET /openapi.json': {
    does: 'Sends this description.',
    answers: { 200: { media: 'application/json' } },
  },
  'GET /shop': {
    does: 'Reads the rules, blades and shims of the shop.',
    answers: { 200: ShopHereSchema },
  },
  'PUT /shop': {
    does: 'Writes the rules of the shop. A job keeps those it began with.',
    takes: ShopSchema,
    answers: { 200: ShopHereSchema },
  },
  'GET /company': {
    does: 'Tells of the shops of the company that is run from here, side by side; 404 where none is.',
    answers: { 200: CompanySchema },
  },
  'POST /company/moves': {
    does: 'Moves a machine with its past from one shop of the company to another, all of it or nothing.',
    takes: CompanyMoveSchema,
    answers: { 200: CompanySchema },
  },
  'GET /company/sheets': {
    does: 'Lists the sheets that the company offers to its shops, each with the revision that this one has.',
    answers: { 200: CompanySheetsSchema },
  },
  'PUT /company/sheets/:id': {
    does: 'Offers a sheet to the shops of the company that is run from here, or no more.',
    takes: CompanySheetPutSchema,
    answers: { 200: CompanySheetsSchema },
  },
  'POST /company/sheets/:id': {
    does: 'Takes a sheet that the company offers, with all its revisions. Taken again it changes nothing.',
    answers: { 200: CompanySheetsSchema },
  },
  'POST /shop/rebuild': {
    does: 'Makes an empty server the shop that a phone keeps.',
    takes: RebuildSchema,
    answers: { 200: ShopHereSchema },
  },
  'GET /backups': {
    does: 'Tells when the shop was backed up last; null where nobody keeps backups.',
    answers: { 200: BackupsSchema },
  },
  'GET /audit': {
    does: 'Reads what was noted of who may do what, the newest first.',
    answers: { 200: AuditSchema },
  },
  'GET /archive': {
    does: 'Sends the whole shop as one file, line by line.',
    answers: { 200: LINES },
  },
  'POST /archive': {
    does: 'Takes an archive into an empty shop, or looks at it. It answers how many of each kind it holds.',
    query: PreviewSchema,
    takes: LINES,
    answers: { 200: v.record(v.string(), v.number()) },
  },
  'GET /calendar': {
    does: 'Tells the secret in the address of the calendar.',
    answers: { 200: CalendarSchema },
  },
  'POST /calendar': {
    does: 'Gives the calendar another secret. The old address ends.',
    answers: { 201: CalendarSchema },
  },
  'POST /demo': {
    does: 'Loads the demo into an empty shop.',
    answers: { 201: ShopHereSchema },
  },
  'POST /demo/enter': {
    does: 'Lets one look round the demo, on the machine that it runs on.',
    takes: EnterDemoSchema,
    answers: { 201: MeSchema },
  },
  'DELETE /demo': {
    does: 'Removes the demo.',
    answers: { 200: ShopHereSchema },
  },
} satisfies Partial<Record<EndpointName, Endpoint>>;
