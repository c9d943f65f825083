import 'fake-indexeddb/auto';
import type { JobContext, JobEvent } from '@longbar/core';
import type { Request } from './outbox';
import { beginWalk, retryDelay, sendOldest } from './outbox';
import type { PhoneDatabase } from '../phone/phoneDatabase';
import { openPhoneDatabase } from '../phone/phoneDatabase';

const JOB = '00000000-0000-4000-8000-000000000001';
const OTHER = '00000000-0000-4000-8000-000000000002';
const NOW = '2026-05-02T08:00:00.000Z';

function event(n: number, job = JOB): JobEvent {
  const id = `00000000-0000-4000-9000-${job.slice(-2)}${String(n).padStart(10, '0')}`;
  return { id, job, n, at: NOW, by: 'Ina', type: 'hours.read', hours: n };
}
const context = { head: { id: JOB, at: NOW } } as JobContext;

let names = 0;
let db: PhoneDatabase;
beforeEach(async () => {
  db = await openPhoneDatabase(`test-${names++}`);
});

/** Sends until the outbox is empty or the server is gone; answers what was posted. */
async function sendAll(answer: (path: string, body: unknown) => { status: number; body: unknown }) {
  const posted: [string, unknown][] = [];
  const ask = async ({ path, body, bytes }: Request) => {
    posted.push([path, bytes ?? body]);
    return answer(path, body);
  };
  const walk = await beginWalk(db);
  let result = await sendOldest(db, ask, walk);
  for (let i = 0; result === 'progress' && i < 50; i++) result = await sendOldest(db, ask, walk);
  return { posted, result, held: walk.held };
}

const accepted = { status: 200, body: {} };
const refusal = (path: string) => ({
  status: 400,
  body: { error: { message: 'No.', issues: path ? [{ path, message: 'No.' }] : [] } },
});

describe('the outbox', () => {
  it('sends a job before its events, and runs of one job together, in order', async () => {
    await db.keepJob(context, true, NOW);
    for (const each of [event(1), event(2), event(1, OTHER), event(3)]) await db.appendOwn([each]);
    const { posted, result } = await sendAll(() => accepted);
    expect(result).toBe('done');
    expect(posted).toEqual([
      ['/jobs', context.head],
      [`/jobs/${JOB}/events`, [event(1), event(2)]],
      [`/jobs/${OTHER}/events`, [event(1, OTHER)]],
      [`/jobs/${JOB}/events`, [event(3)]],
    ]);
    expect((await db.unsent()).count).toBe(0);
  });

  it('sends what was said of a machine before the job that begins on it', async () => {
    const machine = { id: OTHER, name: 'Skiff', sheet: JOB };
    const reading = { date: '2026-05-02', hours: 7 };
    await db.keepWord({ kind: 'machine', machine }, NOW);
    await db.keepWord({ kind: 'hours', machine: OTHER, reading }, NOW);
    await db.keepJob(context, true, NOW);
    await db.keepWord({ kind: 'change', machine: OTHER, patch: { place: 'Quay' } }, NOW);
    expect((await db.machineWords()).map(({ kind }) => kind)).toEqual([
      'machine',
      'hours',
      'change',
    ]);
    const { posted } = await sendAll(() => accepted);
    expect(posted).toEqual([
      ['/machines', machine],
      [`/machines/${OTHER}/hours`, reading],
      ['/jobs', context.head],
      [`/machines/${OTHER}`, { place: 'Quay' }],
    ]);
    expect(await db.machineWords()).toEqual([]);
  });

  it('sends a round of practice, and lets one that is refused hold nothing up', async () => {
    const at = '2026-11-24T08:00:00.000Z';
    const round = { id: OTHER, who: 'Ina', exercise: 'set', level: 1, score: 80, at } as const;
    await db.queue([
      { kind: 'practice', round, since: NOW },
      { kind: 'practice', round: { ...round, id: JOB }, since: NOW },
    ]);
    await db.keepJob(context, true, NOW);
    const { posted } = await sendAll((_path, body) =>
      (body as { id: string }).id === OTHER ? refusal('score') : accepted,
    );
    expect(posted.map(([path]) => path)).toEqual(['/practice', '/practice', '/jobs']);
    expect((await db.unsent()).aside).toMatchObject([{ item: { kind: 'practice', round } }]);
  });

  it('touches nothing while the server is gone or fails itself', async () => {
    await db.appendOwn([event(1)]);
    for (const status of [500, 503, 507, 401, 408, 429]) {
      expect((await sendAll(() => ({ status, body: null }))).result).toBe('unreachable');
    }
    const gone = () => {
      throw new TypeError('Failed to fetch');
    };
    expect((await sendAll(gone)).result).toBe('unreachable');
    expect(await db.unsent()).toMatchObject({ count: 1, since: NOW, aside: [] });
  });

  it('sets aside what the server names, and the rest go on', async () => {
    for (const n of [1, 2, 3]) await db.appendOwn([event(n)]);
    const { posted, result } = await sendAll((_, body) =>
      (body as JobEvent[]).length === 3 ? refusal('1.hours') : accepted,
    );
    expect(result).toBe('done');
    expect(posted[1]).toEqual([`/jobs/${JOB}/events`, [event(1), event(3)]]);
    const { aside } = await db.unsent();
    expect(aside).toMatchObject([
      { item: { kind: 'event', event: event(2), since: NOW }, why: 'No.' },
    ]);
  });

  it('finds which is refused without a name, and leaves it waiting', async () => {
    for (let n = 1; n <= 9; n++) await db.appendOwn([event(n)]);
    const { result, held } = await sendAll((_, body) =>
      (body as JobEvent[]).some(({ n }) => n === 6) ? refusal('') : accepted,
    );
    expect(result).toBe('done');
    expect(held.map(({ item }) => item)).toEqual([{ kind: 'event', event: event(6), since: NOW }]);
    expect(await db.unsent()).toMatchObject({ count: 1, aside: [] });
  });

  it.each([403, 404, 413, 421])(
    'lets what is answered %i wait, and the rest go on',
    async (status) => {
      await db.keepJob(context, true, NOW);
      await db.appendOwn([event(1)]);
      await db.appendOwn([event(1, OTHER)]);
      await db.keepBlob(
        { sha256: 'b'.repeat(64), type: 'image/jpeg', body: new ArrayBuffer(3) },
        NOW,
      );
      await db.appendOwn([event(2)]);
      const refuse = (path: string) => (path === '/jobs' ? { status, body: null } : accepted);
      const first = await sendAll(refuse);
      expect(first.result).toBe('done');
      expect(first.posted.map(([path]) => path)).toEqual([
        '/jobs',
        `/jobs/${OTHER}/events`,
        `/blobs/${'b'.repeat(64)}`,
      ]);
      expect(first.held.map(({ item }) => item.kind)).toEqual(['job', 'event', 'event']);
      expect(first.held[2]?.why).toBe(`The server answered ${status}.`);
      expect(await db.unsent()).toMatchObject({ count: 3, aside: [] });
      const { posted } = await sendAll(() => accepted);
      expect(posted).toEqual([
        ['/jobs', context.head],
        [`/jobs/${JOB}/events`, [event(1), event(2)]],
      ]);
    },
  );

  it('sets no event aside because its job was refused; sent again, all of it goes in order', async () => {
    await db.keepJob(context, true, NOW);
    for (const n of [1, 2]) await db.appendOwn([event(n)]);
    const clash = { ...refusal('id'), status: 409 };
    await sendAll((path) => (path === '/jobs' ? clash : accepted));
    const again = await sendAll(() => accepted);
    expect(again.posted).toEqual([]);
    expect(again.held.map(({ why }) => why)).toEqual(['No.', 'No.']);
    expect(await db.unsent()).toMatchObject({ count: 2, aside: [{ item: { kind: 'job' } }] });
    await db.takeBack();
    expect(await db.unsent()).toMatchObject({ count: 3, aside: [] });
    const { posted } = await sendAll(() => accepted);
    expect(posted.map(([path]) => path)).toEqual(['/jobs', `/jobs/${JOB}/events`]);
  });

  it('halves what is too large at once', async () => {
    for (let n = 1; n <= 8; n++) await db.appendOwn([event(n)]);
    const { posted, held } = await sendAll((_, body) =>
      (body as JobEvent[]).length > 3 ? { status: 413, body: null } : accepted,
    );
    expect(held).toEqual([]);
    expect(posted.flatMap(([, body]) => ((body as JobEvent[]).length > 3 ? [] : body))).toEqual(
      [1, 2, 3, 4, 5, 6, 7, 8].map((n) => event(n)),
    );
  });

  it('does not hold an event back for its photo', async () => {
    const photo = { sha256: 'c'.repeat(64), type: 'image/jpeg', body: new ArrayBuffer(3) };
    await db.keepBlob(photo, NOW);
    await db.appendOwn([event(1)]);
    const { held } = await sendAll((path) =>
      path.startsWith('/blobs') ? { status: 413, body: null } : accepted,
    );
    expect(held.map(({ item }) => item.kind)).toEqual(['blob']);
    expect((await db.unsent()).count).toBe(1);
  });

  it('sends a photo before the event that names it, as its bytes', async () => {
    const photo = { sha256: 'a'.repeat(64), type: 'image/jpeg', body: new ArrayBuffer(3) };
    await db.keepBlob(photo, NOW);
    await db.appendOwn([event(1)]);
    const { posted } = await sendAll(() => accepted);
    expect(posted).toEqual([
      [`/blobs/${photo.sha256}`, photo],
      [`/jobs/${JOB}/events`, [event(1)]],
    ]);
    expect(await db.blob(photo.sha256)).toEqual(photo);
  });

  it('offers a photo that the server lacks once, where it is kept here', async () => {
    const photo = { sha256: 'd'.repeat(64), type: 'image/jpeg', body: new ArrayBuffer(3) };
    const lacking = [photo.sha256, 'e'.repeat(64)];
    await db.keepBlob(photo, NOW);
    expect(await db.offerBlobs(lacking, NOW)).toBe(0);
    await sendAll(() => accepted);
    expect(await db.offerBlobs(lacking, NOW)).toBe(1);
    expect(await db.offerBlobs(lacking, NOW)).toBe(0);
    // One that was refused waits for somebody, and is not sent over and over.
    await sendAll((path) => (path.startsWith('/blobs') ? refusal('sha256') : accepted));
    expect(await db.offerBlobs(lacking, NOW)).toBe(0);
  });

  it('keeps what the server answered last, by path', async () => {
    await db.keepAnswer({ path: '/shop', body: { name: 'old' }, at: NOW });
    await db.keepAnswer({ path: '/shop', body: { name: 'new' }, at: NOW });
    expect((await db.answer('/shop'))?.body).toEqual({ name: 'new' });
    expect(await db.answer('/sheets')).toBeUndefined();
  });

  it('keeps events whoever they come from once, by job', async () => {
    await db.appendOwn([event(1)]);
    await db.mergeEvents([event(1), event(2)]);
    expect(await db.eventsOf(JOB)).toEqual([event(1), event(2)]);
    expect((await db.unsent()).count).toBe(1);
  });

  it('waits longer after each failure, and never longer than half a minute', () => {
    const waits = Array.from({ length: 12 }, (_, failures) => retryDelay(failures));
    expect(waits).toEqual([...waits].sort((a, b) => a - b));
    expect(Math.max(...waits)).toBe(30_000);
  });
});
