import * as v from 'valibot';
import { listUpTo } from '../bounds';
import type { ParsedSheet } from '../engine/parseSheet';
import { parseSheet } from '../engine/parseSheet';
import { issuesOf } from '../issue';
import type { Malformed } from '../result';
import { malformed } from '../result';
import { Base64Schema, BlobTypeSchema, Sha256Schema } from '../attachment';
import { UuidSchema } from '../job/journal/fields';

export const SHEETS_FORMAT = 'longbar.sheets/1';

const photo = v.object({
  sha256: Sha256Schema,
  type: BlobTypeSchema,
  base64: Base64Schema,
});

/** Sheets that travel from one shop to another, with the photos that hang on them. */
export const SheetsFileSchema = v.object(
  {
    format: v.literal(SHEETS_FORMAT, `The format is ${SHEETS_FORMAT}.`),
    sheets: v.pipe(
      listUpTo(
        v.object({ id: UuidSchema, document: v.unknown() }, 'A sheet has an id and a document.'),
        5000,
        'Sheets is a list.',
      ),
      v.nonEmpty('There is no sheet in it.'),
    ),
    photos: v.optional(listUpTo(photo, 5000, 'Photos is a list.'), []),
  },
  'A file of sheets is one JSON object.',
);
export type SheetsFile = v.InferOutput<typeof SheetsFileSchema>;

/** One sheet of a file: under its id, where the file tells one, and what is wrong with it. */
export type SheetInFile = { id?: string; name: string; parsed: ParsedSheet };

export type ReadSheetsFile = { sheets: SheetInFile[]; photos: SheetsFile['photos'] } | Malformed;

/**
 * What a file of sheets holds: many with their photos, or one sheet by itself. A sheet with
 * mistakes is among them, with its issues; a file that is none at all is refused as a whole.
 *
 * @example readSheetsFile({ format: 'longbar.sheets/1', sheets: [] }).refused // 'malformed'
 */
export function readSheetsFile(json: unknown): ReadSheetsFile {
  const isFile = v.is(v.looseObject({ format: v.literal(SHEETS_FORMAT) }), json);
  if (!isFile) {
    const parsed = parseSheet(json);
    return { sheets: [{ name: nameOf(json), parsed }], photos: [] };
  }
  const file = v.safeParse(SheetsFileSchema, json);
  if (!file.success) return malformed(issuesOf(file.issues));
  const { sheets, photos } = file.output;
  const seen = new Set<string>();
  const read = sheets.map(({ id, document }): SheetInFile => {
    const parsed = seen.has(id) ? TWICE : parseSheet(document);
    seen.add(id);
    return { id, name: nameOf(document), parsed };
  });
  return { sheets: read, photos };
}

const TWICE = malformed([
  { path: '', message: 'This sheet stands in the file twice. Keep one of them.' },
]);

const NamedSchema = v.object({ name: v.pipe(v.string(), v.trim(), v.nonEmpty()) });

function nameOf(document: unknown): string {
  const named = v.safeParse(NamedSchema, document);
  return named.success ? named.output.name : 'A sheet without a name';
}
