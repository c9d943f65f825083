import type { EventOf, JobContext, JobEvent } from '@longbar/core';
import { begunOf, foldJob, inOrder, maySign, SeededRandom, settingOf } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import type { TestServer } from '../../../test-support/testServer';
import { jobApart } from '../../../test-support/jobApart';
import { signedAnew } from '../../../test-support/signedAnew';
import { NOW } from '../../../test-support/now';
import { times } from '../../../test-support/times';
import { startTestServer } from '../../../test-support/testServer';
import { MACHINES } from '../../demo/yard';
import { appendEvents, keepArrivals } from './appends';
import { beginJob, checkSeal, readEvents } from './jobs';

const AT = NOW.toISOString();
const ROUNDS = times(25, 300);

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

async function begun(): Promise<string> {
  const id = randomUUID();
  const machine = MACHINES[0]!.id;
  await beginJob(server.db, { id, machine, method: 'each', sheetRevision: 1, at: AT, by: 'Ina' });
  return id;
}
const event = (job: string, n: number, act: object = { type: 'bar.out' }): JobEvent =>
  ({ ...act, id: randomUUID(), job, n, at: AT, by: 'Ina' }) as JobEvent;
const post = (job: string, ...events: unknown[]) => server.post(`/jobs/${job}/events`, events);
const told = async (job: string, ...events: unknown[]) => {
  const { status, body } = await post(job, ...events);
  return [status, ...(body.error?.issues ?? []).map(({ path }: { path: string }) => path)];
};

describe('what arrives for a job', () => {
  it('is kept once, and refused by its place where it comes again and says something else', async () => {
    const job = await begun();
    const first = event(job, 1, { type: 'hours.read', hours: 6600 });
    expect(await told(job, first)).toEqual([200]);
    // The same in another order of its fields is the same.
    const { id, n, ...rest } = first;
    expect(await told(job, { ...rest, n, id })).toEqual([200]);
    expect(await told(job, event(job, 2), { ...first, hours: 6700 })).toEqual([409, '1.id']);
    const twice = event(job, 3);
    expect(await told(job, twice, { ...twice, by: 'Orla' })).toEqual([409, '1.id']);
    expect((await readEvents(server.db, job, 0)).events).toEqual([first]);
  });

  it('has no number so high that nobody can follow', async () => {
    const job = await begun();
    expect(await told(job, event(job, 9_999))).toEqual([200]);
    expect(await told(job, event(job, 20_001), event(job, 19_999))).toEqual([409, '0.n']);
    expect(await told(job, event(job, Number.MAX_SAFE_INTEGER))).toEqual([409, '0.n']);
    expect(await told(job, event(job, 19_999))).toEqual([200]);
  });

  it('is held back where it is more than a job can be, and nothing of it is called wrong', async () => {
    const job = await begun();
    const signed = { type: 'job.signed', name: 'Ina' };
    const signs = Array.from({ length: 4 }, (_, i) => event(job, i + 1, signed));
    expect(await told(job, ...signs)).toEqual([413]);
    const row = await server.db.tables.jobs.findByPk(job);
    await server.db.write(async (transaction) => {
      const many = Array.from({ length: 9_999 }, (_, i) => event(job, i + 1));
      const arrival = { job: row!.get(), events: many, at: AT, person: null };
      await keepArrivals(server.db, [arrival], transaction);
    });
    expect(await told(job, event(job, 10_000), event(job, 10_001))).toEqual([403]);
    expect(await told(job, event(job, 10_000))).toEqual([200]);
    const one = event(job, 10_001);
    expect(await told(job, one)).toEqual([403]);
  });

  it('names an adjuster that some revision of the sheet has', async () => {
    const job = await begun();
    const kept = (adjuster: string) => ({ type: 'adjuster.kept', adjuster });
    expect(await told(job, event(job, 1, kept('intake.6')))).toEqual([200]);
    const wrong = [event(job, 2, kept('intake.1')), event(job, 3, kept('intake.40'))];
    expect(await told(job, ...wrong)).toEqual([409, '1.adjuster']);
    const { id } = MACHINES[0]!.sheet;
    const { document } = (await server.get(`/sheets/${id}`)).body;
    const bridged = {
      ...document,
      adjusters: [...document.adjusters, { ...document.adjusters[0], kind: 'injector' }],
    };
    const lacking = event(job, 4, kept('injector.1'));
    expect(await told(job, lacking)).toEqual([409, '0.adjuster']);
    expect((await server.post('/sheets', { id, document: bridged })).status).toBe(201);
    expect(await told(job, lacking)).toEqual([200]);
  });
});

describe('a signature', () => {
  it('that comes while something is missing is kept, does not count, and can be given again', async () => {
    const { head, events } = signedAnew('Barge', 6700, NOW);
    await beginJob(server.db, head);
    const [signature] = events.slice(-1);
    const count = events.findIndex(({ type }) => type === 'tools.counted');
    expect(await told(head.id, ...events.filter((_, i) => i !== count))).toEqual([200]);
    expect((await checkSeal(server.db, head.id)).seal).toBeNull();
    const open = (await server.get(`/jobs/${head.id}`)).body;
    expect(open.late).toEqual([signature!.id]);
    expect((await server.get(`/machines/${head.machine}`)).body.jobs.open?.id).toBe(head.id);
    const last = signature!.n;
    const { type, id: _id, n: _n, ...rest } = events[count]!;
    const again = [
      { ...rest, type, id: randomUUID(), n: last + 1 },
      { ...signature!, id: randomUUID(), n: last + 2 },
    ];
    expect(await told(head.id, ...again)).toEqual([200]);
    expect(await checkSeal(server.db, head.id)).toMatchObject({ holds: true });
    expect((await server.get(`/jobs/${head.id}/record.pdf`)).status).toBe(200);
  });
});

describe('a job that was signed without signal', () => {
  it('counts whichever engine it was and however many days later it arrives', async () => {
    const weeks = new Date(NOW.getTime() + 20 * 86_400_000).toISOString();
    for (const { name } of MACHINES) {
      const { head, events } = signedAnew(name, 8000, NOW);
      await beginJob(server.db, head);
      await appendEvents(server.db, head.id, events, weeks);
      expect([name, (await checkSeal(server.db, head.id)).holds]).toEqual([name, true]);
    }
  });
});

const isSignature = (event: JobEvent): event is EventOf<'job.signed'> =>
  event.type === 'job.signed';

/** Whether all that a signature vouches for is done by the events that stand before it. */
function vouchedFor(
  context: JobContext,
  events: readonly JobEvent[],
  signature: EventOf<'job.signed'>,
): boolean {
  const journal = inOrder(events.filter(({ id }) => !context.late?.includes(id)));
  const before = journal.slice(
    0,
    journal.findIndex(({ id }) => id === signature.id),
  );
  const state = foldJob(before);
  return maySign(settingOf(begunOf(context), state), state, signature.at, signature);
}

/** Two phones that were apart: one works the job to its end and signs, the other adds meanwhile. */
async function round(seed: number): Promise<void> {
  const chance = new SeededRandom(seed);
  const { head, events, others } = jobApart(chance, 7000 + seed);
  await beginJob(server.db, head);
  const outboxes = [[...events], others];
  const sent: JobEvent[] = [];
  while (outboxes.some((outbox) => outbox.length > 0)) {
    const outbox = chance.one(outboxes.filter(({ length }) => length > 0));
    const batch = outbox.slice(0, 1 + Math.floor(chance.next() * 60));
    await appendEvents(server.db, head.id, batch, AT);
    sent.push(...batch);
    if (chance.next() > 0.2) outbox.splice(0, batch.length);
  }
  const page = await readEvents(server.db, head.id, 0);
  expect(new Set(page.events.map(({ id }) => id))).toEqual(new Set(sent.map(({ id }) => id)));
  const { late } = (await server.get(`/jobs/${head.id}`)).body;
  const state = foldJob(page.events, late);
  const seal = await checkSeal(server.db, head.id);
  // Signed and sealed, or open and not: never one without the other, and a seal holds.
  expect([seed, seal.seal !== null, seal.holds]).toEqual([
    seed,
    state.signed !== undefined,
    state.signed !== undefined,
  ]);
  const { body } = await server.get(`/jobs/${head.id}`);
  const standing = [...state.standing].find(isSignature);
  if (standing) expect([seed, vouchedFor(body, page.events, standing)]).toEqual([seed, true]);
  // Whoever has all of it, in whatever order, has the same.
  const shuffled = [...page.events].sort(() => chance.next() - 0.5);
  expect(foldJob(shuffled, late)).toEqual(state);
}

describe('phones apart, clocks apart, signatures in between', () => {
  it(`lose no seal and end in the same state, ${ROUNDS} times over`, async () => {
    for (let seed = 1; seed <= ROUNDS; seed++) await round(seed);
  }, 600_000);
});
