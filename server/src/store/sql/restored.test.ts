import * as v from 'valibot';
import type { JobEvent } from '@longbar/core';
import { foldJob, SeededRandom } from '@longbar/core';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { copyDemo } from '../../../test-support/demoOnce';
import { jobApart } from '../../../test-support/jobApart';
import { NOW } from '../../../test-support/now';
import { times } from '../../../test-support/times';
import { backUp } from './backup';
import type { Database } from './database';
import { openDatabase } from './database';
import { appendEvents } from '../journal/appends';
import { beginJob, checkSeal, readEvents } from '../journal/jobs';
import { restore } from './restore';
import { identityOf } from '../yard/shop';

const ROUNDS = times(15, 300);
const AT = NOW.toISOString();

const folder = mkdtempSync(join(tmpdir(), 'longbar-restored-'));
const plan = { folder: join(folder, 'backups'), keep: 2, everyHours: 24 };
let db: Database;
beforeAll(async () => {
  copyDemo(folder);
  db = await openDatabase(folder);
});
afterAll(async () => {
  await db.close();
  rmSync(folder, { recursive: true, force: true });
});

type Phone = { held: Map<string, JobEvent>; outbox: JobEvent[]; late: string[] };

const isSigning = ({ type }: JobEvent) => type === 'job.signed';

async function restoredFrom(file: string): Promise<void> {
  const { generation } = await identityOf(db);
  await db.close();
  await restore(file, folder, NOW);
  db = await openDatabase(folder);
  expect((await identityOf(db)).generation).not.toBe(generation);
}

/** Two phones apart on one job; the server is put back once to a backup made in the middle. */
async function round(seed: number): Promise<void> {
  const chance = new SeededRandom(seed);
  const { head, events, others } = jobApart(chance, 7000 + seed);
  const all = new Set([...events, ...others].map(({ id }) => id));
  const kept = () => readEvents(db, head.id, 0);
  const phones = [events, others].map((own): Phone => ({
    held: new Map(own.map((event) => [event.id, event])),
    outbox: [...own],
    late: [],
  }));
  const send = async (phone: Phone) => {
    const batch = phone.outbox.slice(0, 1 + Math.floor(chance.next() * 60));
    if (batch.length === 0) return;
    // As a phone does whose batch is too much: one by one.
    const parts = batch.filter(isSigning).length > 3 ? batch.map((event) => [event]) : [batch];
    for (const part of parts) await appendEvents(db, head.id, part, AT);
    if (chance.next() > 0.2) phone.outbox.splice(0, batch.length);
  };
  const fetch = async (phone: Phone) => {
    phone.late = await lateOf(head.id);
    for (const event of (await kept()).events) phone.held.set(event.id, event);
  };
  /**
   * In another life of the database each phone offers what it holds and the server lacks, what
   * it knows to be late after all else.
   */
  const offer = async () => {
    await beginJob(db, head);
    const there = new Set((await kept()).events.map(({ id }) => id));
    for (const phone of phones) {
      const isLate = ({ id }: JobEvent) => Number(phone.late.includes(id));
      phone.outbox = [...phone.held.values()]
        .filter(({ id }) => !there.has(id))
        .sort((a, b) => isLate(a) - isLate(b) || a.n - b.n || (a.id < b.id ? -1 : 1));
    }
  };
  const sendSome = async (often: number) => {
    for (let i = 0; i < often; i++) await send(chance.one(phones));
  };
  const some = () => Math.floor(chance.next() * 8);

  // In some rounds the backup does not know the job at all.
  if (chance.next() < 0.8) await beginJob(db, head);
  const early = await backUp(db, plan, NOW);
  await beginJob(db, head);
  await sendSome(some());
  const backup = chance.next() < 0.5 ? early : await backUp(db, plan, NOW);
  await sendSome(some());
  // In some rounds all have arrived and both phones know it, in others one or none do.
  const told = chance.next() < 0.5;
  while (told && phones.some(({ outbox }) => outbox.length > 0)) await send(chance.one(phones));
  for (const phone of phones) if (told || chance.next() < 0.5) await fetch(phone);
  const before = await checkSeal(db, head.id);
  await restoredFrom(backup);
  await offer();
  while (phones.some(({ outbox }) => outbox.length > 0)) await send(chance.one(phones));

  const page = await kept();
  expect([seed, new Set(page.events.map(({ id }) => id))]).toEqual([seed, all]);
  const seal = await checkSeal(db, head.id);
  const late = await lateOf(head.id);
  const state = foldJob(page.events, late);
  expect([seed, seal.seal !== null, seal.holds]).toEqual([
    seed,
    state.signed !== undefined,
    state.signed !== undefined,
  ]);
  // What was signed, and told so, is signed still: by the same seal over the same entries.
  if (told) expect([seed, seal.seal]).toEqual([seed, before.seal]);
  const shuffled = [...page.events].sort(() => chance.next() - 0.5);
  expect(foldJob(shuffled, late)).toEqual(state);
}

async function lateOf(job: string): Promise<string[]> {
  const rows = await db.whole.rows(
    v.object({ id: v.string() }),
    'SELECT id FROM events WHERE job = $1 AND late = 1',
    [job],
  );
  return rows.map(({ id }) => id);
}

describe('phones apart, and a server that is put back in between,', () => {
  it(`lose nothing and no seal, ${ROUNDS} times over`, async () => {
    for (let seed = 1; seed <= ROUNDS; seed++) await round(seed);
  }, 1_200_000);
});
