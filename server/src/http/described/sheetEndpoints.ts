import {
  PublishSchema,
  SheetDetailSchema,
  SheetLinesSchema,
  SheetPatchSchema,
  SheetRevisionsSchema,
  SheetSchema,
  SheetsFileSchema,
  SheetsImportSchema,
  SheetsReportSchema,
} from '@longbar/core';
import * as v from 'valibot';
import { RetiredSchema, SheetIdsSchema } from '../queries';
import type { EndpointName } from '../rules';
import type { Endpoint } from './endpoint';

/** Engine sheets and their revisions. */
export const SHEET_ENDPOINTS = {
  'GET /sheets': {
    does: 'Lists the engine sheets, each in its newest revision.',
    query: RetiredSchema,
    answers: { 200: SheetLinesSchema },
  },
  'POST /sheets': {
    does: 'Publishes a sheet, or its next revision. One that says the same changes nothing.',
    takes: v.object({ ...PublishSchema.entries, document: SheetSchema }),
    answers: { 200: SheetDetailSchema, 201: SheetDetailSchema },
  },
  'GET /sheets/file': {
    does: 'Sends sheets as one file for another shop.',
    query: SheetIdsSchema,
    answers: { 200: SheetsFileSchema },
  },
  'POST /sheets/file': {
    does: 'Looks at a file of sheets, or imports it.',
    takes: SheetsImportSchema,
    answers: { 200: SheetsReportSchema },
  },
  'GET /sheets/:id': {
    does: 'Reads the newest revision of a sheet.',
    answers: { 200: SheetDetailSchema },
  },
  'PATCH /sheets/:id': {
    does: 'Takes a sheet out of the lists, or back into them.',
    takes: SheetPatchSchema,
    answers: { 200: SheetDetailSchema },
  },
  'GET /sheets/:id/revisions': {
    does: 'Lists the revisions of a sheet, the newest first.',
    answers: { 200: SheetRevisionsSchema },
  },
  'GET /sheets/:id/revisions/:revision': {
    does: 'Reads one revision of a sheet.',
    answers: { 200: SheetDetailSchema },
  },
} satisfies Partial<Record<EndpointName, Endpoint>>;
