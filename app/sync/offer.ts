import type { JobEvent, MachineDetail } from '@longbar/core';
import { EventsPageSchema, MachineDetailSchema } from '@longbar/core';
import * as v from 'valibot';
import type { MachineWord, Outgoing, PhoneDatabase } from '../phone/phoneDatabase';

/** What the server says to a plain question, or that it has a thing (`HEAD`). */
export type Look = (path: string, method?: 'HEAD') => Promise<{ status: number; body: unknown }>;

/**
 * After the server was put back to an earlier state: what this phone holds of its shop and the
 * server lacks goes into the outbox again, machines before jobs, heads before events. Answers how
 * much it is. Throws where the server cannot be asked, with nothing done.
 */
export async function offerLacking(db: PhoneDatabase, look: Look, since: string): Promise<number> {
  const contexts = await db.jobs();
  const machines = await lackingMachines(
    db,
    look,
    new Set(contexts.map((each) => each.head.machine)),
  );
  const jobs: Outgoing[] = [];
  for (const { head } of contexts) {
    const held = await heldEvents(look, head.id);
    if (!held) jobs.push({ kind: 'job', head, since });
    const events = (await db.eventsOf(head.id)).filter(({ id }) => !held?.has(id));
    jobs.push(...events.sort(byPlace).map((event) => ({ kind: 'event' as const, event, since })));
  }
  const photos: Outgoing[] = [];
  for (const sha256 of await db.blobNames()) {
    if (!(await isThere(look, `/blobs/${sha256}`))) photos.push({ kind: 'blob', sha256, since });
  }
  const lacking = [...machines.map((word) => ({ ...word, since })), ...photos, ...jobs];
  await db.queue(lacking);
  return lacking.length;
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

const byPlace = (a: JobEvent, b: JobEvent) => a.n - b.n || (a.id < b.id ? -1 : 1);

/** The machines of these jobs that the server lacks, as the phone knows them, with their hours. */
async function lackingMachines(db: PhoneDatabase, look: Look, ids: ReadonlySet<string>) {
  const words: MachineWord[] = [];
  for (const id of ids) {
    if (await isThere(look, `/machines/${id}`)) continue;
    const known = v.safeParse(MachineDetailSchema, (await db.answer(`/machines/${id}`))?.body);
    if (known.success) words.push(...wordsOf(known.output));
  }
  return words;
}

function wordsOf(machine: MachineDetail): MachineWord[] {
  const { id, name, sheet, place, owner, serial, tag, photo, baseline, readings } = machine;
  const { inServiceSince, hoursThen, hoursAYear } = baseline;
  const about = { place, owner, serial, tag, photo, inServiceSince, hoursThen, hoursAYear };
  const said = Object.fromEntries(Object.entries(about).filter(([, value]) => value !== undefined));
  // What belongs to a job comes with it; what was taken back does not count.
  const own = readings.filter((reading) => /^\d+$/.test(reading.id ?? '') && !reading.takenBack);
  return [
    { kind: 'machine', machine: { id, name, sheet: sheet.id, ...said } },
    ...own.reverse().map(({ date, hours, replaced }) => ({
      kind: 'hours' as const,
      machine: id,
      reading: { date, hours, sure: true, ...(replaced && { replaced }) },
    })),
  ];
}

async function isThere(look: Look, path: string): Promise<boolean> {
  const { status } = await look(path, 'HEAD');
  if (status !== 404 && status >= 400) throw new Error(`The server answered ${status}.`);
  return status !== 404;
}
