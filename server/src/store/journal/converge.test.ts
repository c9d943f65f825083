import type { JobAct, JobEvent } from '@longbar/core';
import { foldJob, SeededRandom } from '@longbar/core';
import type { TestDatabase } from '../../../test-support/demoDatabase';
import { demoDatabase } from '../../../test-support/demoDatabase';
import { NOW } from '../../../test-support/now';
import { times } from '../../../test-support/times';
import { MACHINES } from '../../demo/yard';
import type { Database } from '../sql/database';
import { appendEvents } from './appends';
import { beginJob, readEvents } from './jobs';

const ROUNDS = times(250, 2000);

let made: TestDatabase;
let db: Database;
beforeAll(async () => {
  made = await demoDatabase();
  db = made.db;
});
afterAll(() => made.end());

type Phone = { by: string; seen: Map<string, JobEvent>; outbox: JobEvent[]; serial: number };

const ACTS: JobAct[] = [
  { type: 'why.noted', reason: 'interval' },
  { type: 'hours.read', hours: 6612 },
  { type: 'isolation.done', isolation: 'battery' },
  { type: 'opening.noted', what: 'Ground wire' },
  { type: 'adjuster.kept', adjuster: 'intake.1' },
  { type: 'adjuster.painted', adjuster: 'intake.1' },
  { type: 'machine.noted', text: 'Odd bolt at the rear' },
];

/** An id that is the same for the same round and number. */
function idOf(round: number, n: number): string {
  return `0000${String(round).padStart(4, '0')}-0000-4000-8000-${String(n).padStart(12, '0')}`;
}

async function round(seed: number): Promise<void> {
  const chance = new SeededRandom(seed);
  const job = idOf(seed, 0);
  const machine = MACHINES[0]!.id;
  const head = { id: job, machine, method: 'each' as const, sheetRevision: 1, by: 'Ina' };
  await beginJob(db, { ...head, at: NOW.toISOString() });
  const phones: Phone[] = ['Ina', 'Orla'].map((by) => ({
    by,
    seen: new Map(),
    outbox: [],
    serial: 0,
  }));
  let made = 0;
  const act = (phone: Phone) => {
    const known = [...phone.seen.values()];
    const n = Math.max(0, ...known.map((event) => event.n)) + 1;
    const undo = known.length > 0 && chance.next() < 0.15;
    const what: JobAct = undo
      ? { type: 'event.undone', target: chance.one(known).id }
      : chance.one(ACTS);
    const id = idOf(seed, ++made);
    const event: JobEvent = { ...what, id, job, n, at: NOW.toISOString(), by: phone.by };
    phone.seen.set(id, event);
    phone.outbox.push(event);
  };
  const send = async (phone: Phone, answerLost: boolean) => {
    const batch = phone.outbox.slice(0, 1 + Math.floor(chance.next() * 3));
    if (batch.length === 0) return;
    const accepted = await appendEvents(db, job, batch, NOW.toISOString());
    expect(accepted).toEqual(batch.map(({ id }) => id));
    if (!answerLost) phone.outbox.splice(0, batch.length);
  };
  const fetch = async (phone: Phone) => {
    const page = await readEvents(db, job, phone.serial);
    for (const event of page.events) {
      if (!phone.seen.has(event.id)) phone.seen.set(event.id, event);
    }
    phone.serial = page.serial;
  };
  for (let step = 0; step < 16; step++) {
    const phone = chance.one(phones);
    const what = chance.next();
    if (what < 0.5) act(phone);
    // Both at once: the database puts them one after the other.
    else if (what < 0.65) await Promise.all(phones.map((each) => send(each, chance.next() < 0.3)));
    else if (what < 0.8) await send(phone, chance.next() < 0.3);
    else await fetch(phone);
  }
  for (const phone of phones) while (phone.outbox.length > 0) await send(phone, false);
  for (const phone of phones) await fetch(phone);
  const [one, other] = phones.map(({ seen }) => foldJob(seen.values()));
  const kept = (await readEvents(db, job, 0)).events;
  expect(kept).toHaveLength(made);
  expect(one).toEqual(foldJob(kept));
  expect(other).toEqual(one);
}

describe('two phones on one job, over the database', () => {
  it(`end in the same state with nothing lost, ${ROUNDS} times over`, async () => {
    for (let seed = 1; seed <= ROUNDS; seed++) await round(seed);
  }, 300_000);
});
