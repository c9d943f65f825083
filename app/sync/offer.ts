import type {
  JobContext,
  JobEvent,
  MachineDetail,
  ReadingOnRecord,
  SheetDetail,
} from '@longbar/core';
import {
  EventsPageSchema,
  MachineDetailSchema,
  SealSchema,
  SheetDetailSchema,
} from '@longbar/core';
import * as v from 'valibot';
import { fetchedPhoto } from '../phone/keptPhotos';
import type { KeptBlob, MachineWord, Outgoing, PhoneDatabase } from '../phone/phoneDatabase';

/** What the server says to a plain question, or that it has a thing (`HEAD`). */
export type Look = (path: string, method?: 'HEAD') => Promise<{ status: number; body: unknown }>;

/**
 * After the server was put back to an earlier state: what this phone holds of its shop and the
 * server lacks goes into the outbox again, sheets before machines, machines before jobs, heads before
 * events, and what came too late after the signature that it was too late for, or it would count
 * now. Answers how much it is. Throws where the server cannot be asked, with nothing done.
 */
export async function offerLacking(db: PhoneDatabase, look: Look, since: string): Promise<number> {
  const contexts = await db.jobs();
  const known = await machinesKnown(db);
  const sheets = await lackingSheets(db, look, contexts, known);
  const machines = await lackingMachines(look, known);
  const jobs: Outgoing[] = [];
  for (const { head, late = [] } of contexts) {
    const held = await heldEvents(look, head.id);
    if (!held) jobs.push({ kind: 'job', head, since });
    const events = (await db.eventsOf(head.id)).filter(({ id }) => !held?.has(id));
    jobs.push(
      ...events.sort(byCounting(late)).map((event) => ({ kind: 'event' as const, event, since })),
    );
  }
  for (const job of await db.signedHere()) {
    if (!(await isProven(look, job))) jobs.push({ kind: 'proof', job, since });
  }
  const own = await db.blobNames();
  const photos: Outgoing[] = [];
  for (const sha256 of own) {
    if (!(await isThere(look, `/blobs/${sha256}`))) photos.push({ kind: 'blob', sha256, since });
  }
  const fetched = await lackingPhotos(look, known, new Set(own));
  const lacking: Outgoing[] = [
    ...sheets.map((sheet) => ({ kind: 'sheet' as const, sheet, since })),
    ...machines.map((word) => ({ ...word, since })),
    ...photos,
    ...jobs,
  ];
  for (const photo of fetched) await db.keepBlob(photo, since);
  await db.queue(lacking);
  return lacking.length + fetched.length;
}

/** The ids of the events that the server holds of a job; undefined where it knows no such job. */
async function heldEvents(look: Look, job: string): Promise<Set<string> | undefined> {
  const held = new Set<string>();
  for (let after = 0, more = true; more;) {
    const { status, body } = await look(`/jobs/${job}/events?after=${after}`);
    if (status === 404) return undefined;
    const page = v.parse(EventsPageSchema, body);
    for (const { id } of page.events) held.add(id);
    more = page.more;
    after = page.serial;
  }
  return held;
}

/** Whether the server holds the signature of a phone's key over a job. */
async function isProven(look: Look, job: string): Promise<boolean> {
  const { status, body } = await look(`/jobs/${job}/seal`);
  const seal = v.safeParse(SealSchema, body);
  return status < 300 && seal.success && seal.output.signature !== null;
}

function byCounting(late: readonly string[]) {
  const isLate = ({ id }: JobEvent) => Number(late.includes(id));
  return (a: JobEvent, b: JobEvent) => isLate(a) - isLate(b) || a.n - b.n || (a.id < b.id ? -1 : 1);
}

/** The machines that this phone knows, as the server told them last. */
async function machinesKnown(db: PhoneDatabase): Promise<MachineDetail[]> {
  const answers = await db.answersUnder('/machines/');
  return answers.flatMap(({ body }) => {
    const read = v.safeParse(MachineDetailSchema, body);
    return read.success ? [read.output] : [];
  });
}

/** The machines that the server lacks, with their hours; and the hours it lacks of others. */
async function lackingMachines(look: Look, known: readonly MachineDetail[]) {
  const words: MachineWord[] = [];
  for (const machine of known) {
    const { status, body } = await look(`/machines/${machine.id}`);
    if (status === 404) words.push(...wordsOf(machine), ...hoursOf(machine, []));
    else if (status >= 400) throw new Error(`The server answered ${status}.`);
    else words.push(...hoursOf(machine, v.parse(MachineDetailSchema, body).readings));
  }
  return words;
}

/**
 * The readings of a machine that the server does not have, oldest first. What belongs to a job
 * comes with it; what was taken back does not count; what was put right is there as it was.
 */
function hoursOf(machine: MachineDetail, there: readonly ReadingOnRecord[]): MachineWord[] {
  const isThere = ({ date, hours, was = [] }: ReadingOnRecord) =>
    there.some((one) => one.date === date && [hours, ...was].includes(one.hours));
  return machine.readings
    .filter(({ id, takenBack }) => /^\d+$/.test(id ?? '') && !takenBack)
    .filter((reading) => !isThere(reading))
    .reverse()
    .map(({ date, hours, replaced }) => ({
      kind: 'hours' as const,
      machine: machine.id,
      reading: { date, hours, sure: true, ...(replaced && { replaced }) },
    }));
}

/** The photos of machines and sheets that the server lacks, and this phone once fetched. */
async function lackingPhotos(
  look: Look,
  machines: readonly MachineDetail[],
  own: ReadonlySet<string>,
): Promise<KeptBlob[]> {
  const named = machines.flatMap(({ photo, document: { photos = [] } }) => [
    ...(photo === undefined ? [] : [photo]),
    ...photos.map(({ sha256 }) => sha256),
  ]);
  const lacking: KeptBlob[] = [];
  for (const sha256 of new Set(named)) {
    const kept = own.has(sha256) ? undefined : await fetchedPhoto(sha256);
    if (kept && !(await isThere(look, `/blobs/${sha256}`))) lacking.push(kept);
  }
  return lacking;
}

/** The revisions of sheets that the server lacks: those that machines and jobs go by, and others. */
async function lackingSheets(
  db: PhoneDatabase,
  look: Look,
  contexts: readonly JobContext[],
  machines: readonly MachineDetail[],
): Promise<SheetDetail[]> {
  const sheetOf = new Map(machines.map(({ id, sheet }) => [id, sheet.id]));
  const told = await db.answersUnder('/sheets/');
  const ofMachines = machines.map(({ sheet: { id, revision }, document }) => ({
    body: { id, revision, document, publishedAt: '' },
  }));
  const ofJobs = contexts.map(({ head, sheet }) => ({
    body: {
      id: head.sheet ?? sheetOf.get(head.machine),
      revision: head.sheetRevision,
      document: sheet,
      publishedAt: '',
    },
  }));
  const known = new Map<string, SheetDetail>();
  for (const { body } of [...ofJobs, ...ofMachines, ...told]) {
    const read = v.safeParse(SheetDetailSchema, body);
    if (read.success)
      known.set(`/sheets/${read.output.id}/revisions/${read.output.revision}`, read.output);
  }
  const lacking: SheetDetail[] = [];
  for (const [path, sheet] of known) if (!(await isThere(look, path))) lacking.push(sheet);
  return lacking.sort((a, b) => a.revision - b.revision);
}

function wordsOf(machine: MachineDetail): MachineWord[] {
  const { id, name, sheet, place, owner, serial, tag, photo, baseline } = machine;
  const { newest = sheet.revision } = sheet;
  const { inServiceSince, hoursThen, hoursAYear } = baseline;
  const about = { place, owner, serial, tag, photo, inServiceSince, hoursThen, hoursAYear };
  const said = Object.fromEntries(Object.entries(about).filter(([, value]) => value !== undefined));
  return [
    { kind: 'machine', machine: { id, name, sheet: sheet.id, ...said } },
    ...(newest > sheet.revision
      ? [{ kind: 'change' as const, machine: id, patch: { sheetRevision: sheet.revision } }]
      : []),
    ...(machine.retired
      ? [{ kind: 'change' as const, machine: id, patch: { retired: true } }]
      : []),
  ];
}

async function isThere(look: Look, path: string): Promise<boolean> {
  const { status } = await look(path, 'HEAD');
  if (status !== 404 && status >= 400) throw new Error(`The server answered ${status}.`);
  return status !== 404;
}
