import * as v from 'valibot';
import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import type { EngineSheet, FoldedJob, JobEvent, JobHead } from '@longbar/core';
import {
  adjustersOf,
  foldOn,
  isKnown,
  isRefused,
  knownTo,
  parseSheet,
  SeededRandom,
} from '@longbar/core';
import { signedJob } from '../server/src/demo/signedJob';
import { BLADE_SETS, MACHINES, SHEETS, SHOP } from '../server/src/demo/yard';
import type { Database } from '../server/src/store/sql/database';
import { openDatabase } from '../server/src/store/sql/database';
import { appendEvents } from '../server/src/store/journal/appends';
import { beginJob } from '../server/src/store/journal/jobs';
import { machineChanged } from '../server/src/store/stale';
import { rebuild } from '../server/src/store/derived/readTables';
import { writeShop } from '../server/src/store/yard/shop';

const MACHINES_IN_YARD = 500;
const YEARS = 10;
/** A million takes a quarter of an hour to make; fewer are made where somebody says so. */
export const READINGS = Number(process.env.LONGBAR_BENCH_READINGS ?? 1_000_000);
const DAY = 86_400_000;

/** A job whose entries name each other by ids that are each job's own. */
type Template = { head: JobHead; events: JobEvent[]; sheet: (typeof SHEETS)[number] };
type Size = { readings: number; events: number; jobs: number };

/** A UUID of a kind and a number. */
const idOf = (kind: number, n: number) =>
  `${kind.toString(16).padStart(8, '0')}-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;

/**
 * A shop of 500 machines with ten years of checks and a million readings (or as many as are wanted), from a seed, kept in
 * `folder` for the next run. All that is derived is worked out, the drift too.
 */
export async function bigYard(folder: string, today: string): Promise<Size> {
  const done = `${folder}/made`;
  const db = await (existsSync(done) ? openDatabase(folder) : make(folder, today));
  writeFileSync(done, '');
  const count = async (sql: string) =>
    Number((await db.whole.rows(v.object({ n: v.number() }), sql))[0]?.n);
  const size = {
    jobs: await count('SELECT count(*) AS n FROM jobs'),
    events: await count('SELECT count(*) AS n FROM events'),
    readings: await count(
      `SELECT count(*) AS n FROM events WHERE json_extract(body, '$.type') = 'reading.taken'`,
    ),
  };
  const signed = await count(
    `SELECT count(*) AS n FROM job_reads WHERE json_extract(summary, '$.signed') IS NOT NULL`,
  );
  await db.close();
  // Of a job that is not signed nothing is told: what is measured of it would be nothing.
  if (signed < size.jobs)
    throw new Error(`${size.jobs - signed} jobs of ${folder} are not signed.`);
  return size;
}

async function make(folder: string, today: string): Promise<Database> {
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const db = await openDatabase(folder);
  const now = new Date(`${today}T06:00:00Z`);
  await db.write((transaction) => writeShop(db, { ...SHOP, bladeSets: BLADE_SETS }, transaction));
  for (const { id, document } of SHEETS) {
    const parsed = parseSheet(document);
    if (isRefused(parsed)) throw new Error(`The sheet ${id} has mistakes.`);
    const row = { id, revision: 1, document: parsed.sheet, publishedAt: now.toISOString() };
    await db.write((transaction) => db.tables.sheets.create(row, { transaction }));
  }
  const templates = templatesOn(now);
  const perJob = templates.map(({ events }) => events.filter(isReading).length);
  const mean = perJob.reduce((sum, n) => sum + n, 0) / perJob.length;
  const jobs = Math.ceil(READINGS / MACHINES_IN_YARD / mean);
  for (let n = 0; n < MACHINES_IN_YARD; n++) {
    await addMachine(db, n, templates[n % templates.length] as Template, jobs, now);
    if ((n + 1) % 50 === 0) console.log(`${n + 1} machines with ${jobs} jobs each`);
  }
  console.log('Working out what is derived …');
  await rebuild(db, today, (things, at) => at % 1000 === 0 && console.log(`${at} ${things}`));
  return db;
}

const isReading = ({ type }: JobEvent) => type === 'reading.taken';

/** The whole journal of a check on each of the demo's larger engines, every adjuster read again. */
function templatesOn(now: Date): Template[] {
  return [6, 7].map((n) => {
    const machine = MACHINES[n - 1];
    const past = machine?.jobs.at(-1);
    if (!machine || !past) throw new Error('The demo has no such machine.');
    const { head, events } = signedJob(machine, past, now);
    const left = new Map(
      events.flatMap((event) => (event.type === 'reading.taken' ? [[event.adjuster, event]] : [])),
    );
    const again = [...left.values()].map((event) => ({ ...event, phase: 'again' as const }));
    const told = [...events.slice(0, -1), ...again, events.at(-1) as JobEvent];
    return { head, events: inOrder(told), sheet: machine.sheet };
  });
}

/** The same entries, each knowing what came before it. */
function inOrder(told: readonly JobEvent[]): JobEvent[] {
  const events: JobEvent[] = [];
  let job: FoldedJob | undefined;
  for (const [k, event] of told.entries()) {
    job = foldOn(job, [...events]);
    const known = isKnown(event) ? knownTo(job.state, event) : {};
    events.push({ ...event, ...known, id: idOf(4, k), n: k + 1 });
  }
  return events;
}

const UUID = /[\da-f]{8}-[\da-f-]{27}/g;

/** The entries of a job under ids of their own, by which they name each other. */
function underOwnIds(events: readonly JobEvent[], number: number): JobEvent[] {
  const ids = new Map(events.map(({ id }, k) => [id, idOf(3, number * 1000 + k)]));
  return JSON.parse(JSON.stringify(events).replace(UUID, (id) => ids.get(id) ?? id));
}

async function addMachine(
  db: Database,
  n: number,
  template: Template,
  jobs: number,
  now: Date,
): Promise<void> {
  const chance = new SeededRandom(n + 1);
  const { sheet } = template;
  const id = idOf(1, n);
  const perDay = 1 + 8 * chance.next();
  const hoursAt = (daysAgo: number) => Math.round(perDay * (YEARS * 365 - daysAgo));
  const readings = Array.from({ length: YEARS * 6 }, (_, i) => {
    const daysAgo = 5 + i * 60;
    const date = new Date(now.getTime() - daysAgo * DAY).toISOString().slice(0, 10);
    return { machine: id, date, hours: hoursAt(daysAgo) };
  });
  await db.write(async (transaction) => {
    const name = `Machine ${String(n + 1).padStart(3, '0')}`;
    const row = {
      id,
      name,
      sheet: sheet.id,
      sheetRevision: 1,
      meter: [],
      baseline: { last: null, breakInDone: true },
      about: null,
      retiredAt: null,
      added: null,
    };
    await db.tables.machines.create(row, { transaction });
    await machineChanged(db, id, transaction);
    await db.tables.hours.bulkCreate(readings, { transaction });
  });
  const rates = new Map(
    adjustersOf(sheet.document as EngineSheet).map((each) => [each.id, -40 * chance.next()]),
  );
  const apart = (YEARS * 365) / jobs;
  for (let i = 0; i < jobs; i++) {
    const daysAgo = Math.round(apart * (jobs - i - 0.5));
    const number = n * 1000 + i;
    const at = new Date(now.getTime() - daysAgo * DAY).toISOString();
    const head = { ...template.head, id: idOf(2, number), machine: id, at };
    await beginJob(db, head);
    const worn = (perDay * apart) / 1000;
    const wear = (adjuster: string) =>
      Math.round(((rates.get(adjuster) ?? 0) * worn + 10 * chance.next()) / 10) * 10;
    const events = underOwnIds(template.events, number).map((event): JobEvent => {
      const own = { ...event, job: head.id, at };
      if (!isKnown(own)) return own;
      if (own.type === 'hours.read') return { ...own, hours: hoursAt(daysAgo) };
      if (own.type !== 'reading.taken' || own.phase !== 'found') return own;
      const { go, noGo, how } = own.reading;
      const by = wear(own.adjuster);
      return { ...own, reading: { go: go && go + by, noGo: noGo && noGo + by, how } };
    });
    await appendEvents(db, head.id, events, at);
  }
}
