import * as v from 'valibot';
import { listUpTo, MOST_HOURS, MOST_REVISIONS, numberFrom, wholeFrom, wordsUpTo } from '../bounds';
import { parseSheet } from '../engine/parseSheet';
import type { Issue } from '../issue';
import { issuesOf } from '../issue';
import { Base64Schema, BlobTypeSchema, Sha256Schema } from '../attachment';
import { JobEventSchema } from '../job/journal/events';
import { instant, UuidSchema } from '../job/journal/fields';
import { JobHeadSchema } from '../job/journal/jobHead';
import { PublicKeySchema, SignatureSchema } from '../job/seal/signature';
import { BaselineSchema } from '../service/baseline';
import { DateSchema, HoursSchema } from '../service/hours';
import { AboutMachineSchema, MachinePostSchema } from '../wire/machineForm';
import { ShopSchema } from '../wire/shop';
import type { Malformed } from '../result';
import { isRefused, malformed } from '../result';

/**
 * The archive of a whole shop: JSON lines, one thing a line, in an order in which everything
 * comes after what it belongs to. The first line says what it is, the last one that it is whole.
 */
export const ARCHIVE_FORMAT = 'longbar.archive/3';

/** The same without keys and signatures, of earlier versions. */
const WITHOUT_KEYS = 'longbar.archive/2';

/** The same without a last line, as earlier versions wrote it. */
const WITHOUT_END = 'longbar.archive/1';

const revision = wholeFrom(1, MOST_REVISIONS, 'Revisions count from 1.');
const name = wordsUpTo(200, 'Give a name.');

const LINES = {
  archive: v.object({
    type: v.literal('archive'),
    format: v.picklist(
      [ARCHIVE_FORMAT, WITHOUT_KEYS, WITHOUT_END],
      `The format is ${ARCHIVE_FORMAT}.`,
    ),
  }),
  shop: v.object({ type: v.literal('shop'), shop: ShopSchema }),
  sheet: v.object({
    type: v.literal('sheet'),
    id: UuidSchema,
    revision,
    publishedAt: instant,
    document: v.looseObject({}),
    /** Out of the lists since then. */
    retiredAt: v.optional(instant),
  }),
  machine: v.object({
    type: v.literal('machine'),
    id: UuidSchema,
    name,
    sheet: UuidSchema,
    meter: listUpTo(
      v.object({
        date: DateSchema,
        offset: numberFrom(-MOST_HOURS, MOST_HOURS, 'An offset is in hours.'),
      }),
      1000,
    ),
    baseline: BaselineSchema,
    /** The revision it goes by; where an older archive names none, the newest. */
    sheetRevision: v.optional(revision),
    about: v.optional(AboutMachineSchema),
    /** Since when it is out of the yard. */
    retiredAt: v.optional(v.nullable(instant)),
    /** As it was added, by which the same addition is known again. */
    added: v.optional(v.nullable(MachinePostSchema)),
  }),
  hours: v.object({
    type: v.literal('hours'),
    machine: UuidSchema,
    date: DateSchema,
    hours: HoursSchema,
    /** It was a mistake altogether: kept, and not counted. */
    takenBack: v.optional(v.boolean()),
    /** It is the first of another meter, or of one that was reset. */
    replaced: v.optional(v.boolean()),
    /** The job it was read in, where it puts that job's reading right. */
    job: v.optional(v.nullable(UuidSchema)),
    /** What stood there before, the oldest first. */
    was: v.optional(v.nullable(listUpTo(HoursSchema, 1000))),
  }),
  job: v.object({
    type: v.literal('job'),
    head: JobHeadSchema,
    sheet: UuidSchema,
    /** The hash its events had when it was signed. */
    seal: v.nullable(Sha256Schema),
  }),
  event: v.object({
    type: v.literal('event'),
    event: JobEventSchema,
    receivedAt: instant,
    /** It came when the job was signed, or is a signature that came too soon. */
    late: v.optional(v.boolean()),
  }),
  /** A phone's public key, and every name its person had since it was registered. */
  key: v.object({
    type: v.literal('key'),
    key: PublicKeySchema,
    names: listUpTo(name, 1000),
    registeredAt: instant,
  }),
  /** The signature of a phone's key over the seal of a job. */
  signature: v.object({ type: v.literal('signature'), ...SignatureSchema.entries }),
  /**
   * The record of a signed job, for whoever has the archive and no Long Bar. It is made from the
   * journal, so what stands here is not taken in: the journal's own is.
   */
  record: v.object({ type: v.literal('record'), job: UuidSchema, record: v.looseObject({}) }),
  blob: v.object({
    type: v.literal('blob'),
    sha256: Sha256Schema,
    blobType: BlobTypeSchema,
    receivedAt: instant,
    base64: Base64Schema,
  }),
  /** The last line: an archive that was cut off is none. */
  end: v.object({
    type: v.literal('end'),
    /** How many lines came before. */
    lines: wholeFrom(1, 1e9, 'Say how many lines came before.'),
    /** SHA-256 over all of them, each with its end. */
    sha256: Sha256Schema,
  }),
} as const;

type Lines = typeof LINES;
export type ArchiveLine = { [K in keyof Lines]: v.InferOutput<Lines[K]> }[keyof Lines];
/** The schema of each kind of line, for those who read or write archives elsewhere. */
export const ARCHIVE_LINES = LINES;

/** A mistake, with the line it stands in, counted from 1. */
export type LineIssue = Issue & { line: number };
export type ParsedArchive = { lines: ArchiveLine[] } | Malformed<LineIssue>;

/** More than this is not told at once. */
const MOST_ISSUES = 50;

/**
 * Reads an archive line by line, however long it is. Each line is checked by itself, and that what
 * it belongs to came before it; a mistake names its line and what would be right.
 */
export class ArchiveReader {
  readonly issues: LineIssue[] = [];
  private readonly known = new Known();
  private lines = 0;
  private withoutEnd = false;
  private ended = false;

  /** Whether so much is wrong that nobody reads on. */
  get isHopeless(): boolean {
    return this.issues.length >= MOST_ISSUES;
  }

  /** The line that was read last, counted from 1. */
  get place(): number {
    return this.lines;
  }

  /** The next line as what it holds; undefined where it is mistaken. */
  read(text: string): ArchiveLine | undefined {
    const place = ++this.lines;
    const wrong = (path: string, message: string) =>
      this.issues.push({ line: place, path, message });
    if (this.ended) return void wrong('', 'Nothing comes after the last line.');
    const line = readLine(text, place === 1, wrong);
    if (!line) return undefined;
    if (line.type === 'archive') this.withoutEnd = line.format === WITHOUT_END;
    if (line.type === 'end') {
      this.ended = true;
      if (line.lines !== place - 1) wrong('lines', `There are ${place - 1} lines before this one.`);
    } else this.known.add(line, wrong);
    return line;
  }

  /** There are no more lines. */
  end(): void {
    const line = this.lines + 1;
    if (this.lines === 0) this.issues.push({ line: 1, path: '', message: 'The archive is empty.' });
    else if (!this.ended && !this.withoutEnd && this.issues.length === 0) {
      this.issues.push({ line, path: '', message: 'The archive is cut off: its end is missing.' });
    }
  }
}

/** Reads an archive that is at hand as a whole. */
export function parseArchive(text: string): ParsedArchive {
  const reader = new ArchiveReader();
  const lines: ArchiveLine[] = [];
  for (const own of linesIn(text)) {
    if (reader.isHopeless) break;
    const line = reader.read(own);
    if (line) lines.push(line);
  }
  reader.end();
  const { issues } = reader;
  return issues.length > 0 ? malformed(issues.slice(0, MOST_ISSUES)) : { lines };
}

/** The lines of a text one by one; what follows the last end is a line unless it is empty. */
function* linesIn(text: string): Generator<string> {
  let from = 0;
  while (from < text.length) {
    const end = text.indexOf('\n', from);
    yield text.slice(from, end < 0 ? undefined : end);
    from = end < 0 ? text.length : end + 1;
  }
}

type Wrong = (path: string, message: string) => void;

const TypedSchema = v.looseObject({ type: v.string() });
const BY_TYPE = new Map(Object.entries(LINES));

function readLine(text: string, first: boolean, wrong: Wrong): ArchiveLine | undefined {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    wrong('', 'This line is not JSON.');
    return undefined;
  }
  const type = v.is(TypedSchema, value) ? value.type : '';
  if (first !== (type === 'archive')) {
    wrong(
      'type',
      `The first line, and no other, is {"type":"archive","format":"${ARCHIVE_FORMAT}"}.`,
    );
    return undefined;
  }
  const schema = BY_TYPE.get(type);
  if (!schema) {
    wrong('type', `A line is one of ${Object.keys(LINES).join(', ')}.`);
    return undefined;
  }
  const result = v.safeParse(schema, value);
  if (result.success) return result.output;
  issuesOf(result.issues).forEach(({ path, message }) => wrong(path, message));
  return undefined;
}

/** What came before, so that nothing belongs to what is not there and nothing comes twice. */
class Known {
  private readonly ids = new Set<string>();

  add(line: ArchiveLine, wrong: Wrong): void {
    switch (line.type) {
      case 'archive':
      case 'end':
        return;
      case 'shop':
        return this.once('shop', 'type', wrong);
      case 'sheet': {
        const parsed = parseSheet(line.document);
        if (isRefused(parsed)) {
          parsed.issues.forEach(({ path, message }) => wrong(`document.${path}`, message));
        }
        if (line.revision > 1) {
          this.needs(`sheet ${line.id} ${line.revision - 1}`, 'revision', wrong);
        }
        this.ids.add(`sheet ${line.id}`);
        return this.once(`sheet ${line.id} ${line.revision}`, 'id', wrong);
      }
      case 'machine':
        this.needs(`sheet ${line.sheet}`, 'sheet', wrong);
        if (line.sheetRevision !== undefined) {
          this.needs(`sheet ${line.sheet} ${line.sheetRevision}`, 'sheetRevision', wrong);
        }
        return this.once(`machine ${line.id}`, 'id', wrong);
      case 'hours':
        return this.needs(`machine ${line.machine}`, 'machine', wrong);
      case 'job':
        this.needs(`machine ${line.head.machine}`, 'head.machine', wrong);
        this.needs(`sheet ${line.sheet} ${line.head.sheetRevision}`, 'head.sheetRevision', wrong);
        return this.once(`job ${line.head.id}`, 'head.id', wrong);
      case 'event':
        this.needs(`job ${line.event.job}`, 'event.job', wrong);
        return this.once(`event ${line.event.id}`, 'event.id', wrong);
      case 'key':
        return this.once(`key ${line.key}`, 'key', wrong);
      case 'signature':
        this.needs(`key ${line.key}`, 'key', wrong);
        this.needs(`job ${line.words.job.id}`, 'words.job.id', wrong);
        return this.once(`signature ${line.words.job.id}`, 'words.job.id', wrong);
      case 'record':
        this.needs(`job ${line.job}`, 'job', wrong);
        return this.once(`record ${line.job}`, 'job', wrong);
      case 'blob':
        return this.once(`blob ${line.sha256}`, 'sha256', wrong);
    }
  }

  private once(key: string, path: string, wrong: Wrong): void {
    if (this.ids.has(key)) wrong(path, 'This stands in the archive twice.');
    this.ids.add(key);
  }

  private needs(key: string, path: string, wrong: Wrong): void {
    if (!this.ids.has(key)) wrong(path, 'What this belongs to does not come before it.');
  }
}
