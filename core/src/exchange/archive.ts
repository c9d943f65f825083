import * as v from 'valibot';
import { listUpTo, MOST_HOURS, MOST_REVISIONS, numberFrom, wholeFrom, wordsUpTo } from '../bounds';
import { parseSheet } from '../engine/parseSheet';
import type { Issue } from '../issue';
import { issuesOf } from '../issue';
import { BlobTypeSchema, Sha256Schema } from '../attachment';
import { JobEventSchema } from '../job/journal/events';
import { instant, UuidSchema } from '../job/journal/fields';
import { JobHeadSchema } from '../job/journal/jobHead';
import { BaselineSchema } from '../service/baseline';
import { DateSchema, HoursSchema } from '../service/hours';
import { AboutMachineSchema, MachinePostSchema } from '../wire/machineForm';
import { ShopSchema } from '../wire/shop';

/**
 * The archive of a whole shop: JSON lines, one thing a line, in an order in which everything
 * comes after what it belongs to. The first line says what it is.
 */
export const ARCHIVE_FORMAT = 'longbar.archive/1';

const revision = wholeFrom(1, MOST_REVISIONS, 'Revisions count from 1.');
const name = wordsUpTo(200, 'Give a name.');

const LINES = {
  archive: v.object({ type: v.literal('archive'), format: v.literal(ARCHIVE_FORMAT) }),
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
    base64: v.pipe(v.string(), v.base64('The bytes are in base64.')),
  }),
} as const;

type Lines = typeof LINES;
export type ArchiveLine = { [K in keyof Lines]: v.InferOutput<Lines[K]> }[keyof Lines];
/** The schema of each kind of line, for those who read or write archives elsewhere. */
export const ARCHIVE_LINES = LINES;

/** A mistake, with the line it stands in, counted from 1. */
export type LineIssue = Issue & { line: number };
export type ParsedArchive = { ok: true; lines: ArchiveLine[] } | { ok: false; issues: LineIssue[] };

/** More than this is not told at once. */
const MOST_ISSUES = 50;

/**
 * Reads an archive. Each line is checked by itself, and that what it belongs to came before it;
 * a mistake names its line and what would be right.
 */
export function parseArchive(text: string): ParsedArchive {
  const issues: LineIssue[] = [];
  const lines: ArchiveLine[] = [];
  const known = new Known();
  const written = text.split('\n');
  if (written[written.length - 1] === '') written.pop();
  for (const [i, own] of written.entries()) {
    if (issues.length >= MOST_ISSUES) break;
    const wrong = (path: string, message: string) => issues.push({ line: i + 1, path, message });
    const line = readLine(own, i === 0, wrong);
    if (!line) continue;
    known.add(line, wrong);
    lines.push(line);
  }
  if (written.length === 0) issues.push({ line: 1, path: '', message: 'The archive is empty.' });
  return issues.length > 0 ? { ok: false, issues } : { ok: true, lines };
}

type Wrong = (path: string, message: string) => void;

function readLine(text: string, first: boolean, wrong: Wrong): ArchiveLine | undefined {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    wrong('', 'This line is not JSON.');
    return undefined;
  }
  const type = String((value as { type?: unknown } | null)?.type ?? '');
  if (first !== (type === 'archive')) {
    wrong(
      'type',
      `The first line, and no other, is {"type":"archive","format":"${ARCHIVE_FORMAT}"}.`,
    );
    return undefined;
  }
  if (!Object.hasOwn(LINES, type)) {
    wrong('type', `A line is one of ${Object.keys(LINES).join(', ')}.`);
    return undefined;
  }
  const result = v.safeParse(LINES[type as keyof Lines], value);
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
        return;
      case 'shop':
        return this.once('shop', 'type', wrong);
      case 'sheet': {
        const parsed = parseSheet(line.document);
        if (!parsed.ok) {
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
