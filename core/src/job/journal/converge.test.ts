import { EVERY_ACT, JOB, uuid } from '../../../test-support/journal';
import { times } from '../../../test-support/times';
import type { JobAct, JobEvent } from '../..';
import { foldJob, knownTo, SeededRandom } from '../..';

const ROUNDS = times(3000, 30_000);
const NOT_LAST: JobAct[] = EVERY_ACT.filter(({ type }) => type !== 'job.signed');

/** A phone: what it has seen of the journal, and what it has not got away yet. */
type Phone = { by: string; seen: Map<string, JobEvent>; outbox: JobEvent[] };

function act(phone: Phone, chance: SeededRandom, id: string): void {
  const known = [...phone.seen.values()];
  const n = Math.max(0, ...known.map((event) => event.n)) + 1;
  const undo = known.length > 0 && chance.next() < 0.15;
  const what: JobAct = undo
    ? { type: 'event.undone', target: chance.one(known).id }
    : chance.one(NOT_LAST);
  const named = knownTo(foldJob(known), what);
  const at = '2026-05-02T08:00:00Z';
  const event: JobEvent = { ...what, ...named, id, job: JOB, n, at, by: phone.by };
  phone.seen.set(id, event);
  phone.outbox.push(event);
}

/** Two phones and a server: acts, sends, answers that are lost, repeats, fetches out of order. */
function round(seed: number): void {
  const chance = new SeededRandom(seed);
  const server = new Map<string, JobEvent>();
  const phones: Phone[] = ['Ina', 'Orla'].map((by) => ({ by, seen: new Map(), outbox: [] }));
  let made = 0;
  const send = (phone: Phone, lost: boolean) => {
    const batch = phone.outbox.slice(0, 1 + Math.floor(chance.next() * 3));
    for (const event of batch) if (!server.has(event.id)) server.set(event.id, event);
    // The answer is lost: the phone sends the same again.
    if (!lost) phone.outbox.splice(0, batch.length);
  };
  const fetch = (phone: Phone, all: boolean) => {
    const page = [...server.values()].filter(() => all || chance.next() < 0.6);
    for (const event of all ? page : page.reverse()) {
      if (!phone.seen.has(event.id)) phone.seen.set(event.id, event);
    }
  };
  for (let step = 0; step < 24; step++) {
    const phone = chance.one(phones);
    const what = chance.next();
    if (what < 0.5) act(phone, chance, uuid(1000 + seed * 50 + made++));
    else if (what < 0.75) send(phone, chance.next() < 0.3);
    else fetch(phone, false);
  }
  for (const phone of phones) while (phone.outbox.length > 0) send(phone, false);
  for (const phone of phones) fetch(phone, true);
  const [one, other] = phones.map(({ seen }) => foldJob(seen.values()));
  if (server.size !== made) throw new Error(`${made - server.size} events are lost, seed ${seed}.`);
  expect(one).toEqual(foldJob(server.values()));
  expect(other).toEqual(one);
}

describe('two phones on one job', () => {
  it(`end in the same state with nothing lost, ${ROUNDS} times over`, () => {
    for (let seed = 1; seed <= ROUNDS; seed++) round(seed);
  }, 300_000);
});
