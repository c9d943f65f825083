import * as v from 'valibot';
import { UuidSchema } from '../job/journal/fields';
import { SheetSchema } from '../engine/sheet';

const sheetLine = { id: v.string(), revision: v.number(), publishedAt: v.string() };

/** An engine sheet in the list: its newest revision and the machines it serves. */
export const SheetLinesSchema = v.array(
  v.object({ ...sheetLine, name: v.string(), machines: v.array(v.string()) }),
);
export type SheetLine = v.InferOutput<typeof SheetLinesSchema>[number];

/** One revision of a sheet. */
export const SheetDetailSchema = v.object({ ...sheetLine, document: SheetSchema });
export type SheetDetail = v.InferOutput<typeof SheetDetailSchema>;

/** The revisions of one sheet, newest first. */
export const SheetRevisionsSchema = v.array(
  v.object({ revision: v.number(), publishedAt: v.string() }),
);
export type SheetRevision = v.InferOutput<typeof SheetRevisionsSchema>[number];

/** Publishes a document: the first revision of a new sheet, or the next one of a known. */
export const PublishSchema = v.object(
  { id: UuidSchema, document: v.unknown() },
  'Publishing takes id and document.',
);
