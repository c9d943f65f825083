import { createHash, randomUUID } from 'node:crypto';
import { get } from 'node:http';
import { gunzipSync } from 'node:zlib';
import {
  ChecksSchema,
  MachineDetailSchema,
  MachineLinesSchema,
  SheetRevisionsSchema,
  ShopSchema,
} from '@longbar/core';
import * as v from 'valibot';
import { signedAnew } from '../../test-support/signedAnew';
import type { TestServer } from '../../test-support/testServer';
import { NOW } from '../../test-support/now';
import { startTestServer } from '../../test-support/testServer';
import { MACHINES } from '../demo/yard';

// A full sync of the disk for every batch takes its time on a slow one.

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const PUMP = MACHINES[0]!.id;
const TRACTOR = MACHINES[1]!.id;

const head = (machine = TRACTOR) => ({
  id: randomUUID(),
  machine,
  method: 'two-position',
  sheetRevision: 1,
  at: '2026-11-23T08:00:00.000Z',
  by: 'Ina',
});
const event = (job: string, n: number, rest: object = { type: 'hours.read', hours: 2540 }) => ({
  id: randomUUID(),
  job,
  n,
  at: '2026-11-23T08:10:00.000Z',
  by: 'Ina',
  ...rest,
});

describe('machines', () => {
  it('answers the yard and a machine as the wire schemas say', async () => {
    const yard = await server.get('/machines');
    expect(v.is(MachineLinesSchema, yard.body)).toBe(true);
    expect(yard.body).toHaveLength(MACHINES.length);
    const machine = await server.get(`/machines/${PUMP}`);
    expect(v.is(MachineDetailSchema, machine.body)).toBe(true);
    expect(machine.body.history).toHaveLength(4);
    expect(Object.keys(machine.body.lastLeft.readings)).toHaveLength(12);
    expect(v.is(ShopSchema, (await server.get('/shop')).body)).toBe(true);
  });

  it('keeps a job closed as incomplete on record, and the check due', async () => {
    const welder = MACHINES.find(({ name }) => name === 'Welder')!.id;
    const due = (await server.get(`/machines/${welder}`)).body.due;
    const { head: of, events } = signedAnew('Welder', 41, NOW, (told) => [
      ...told.slice(0, -1),
      { type: 'adjuster.unset', adjuster: 'exhaust.1', reason: 'seized' },
      { type: 'machine.noted', text: 'Nut rounded' },
      { type: 'job.signed', name: 'Ina', incomplete: true },
    ]);
    expect((await server.post('/jobs', of)).status).toBe(201);
    const heard = server.driftsDue();
    expect((await server.post(`/jobs/${of.id}/events`, events)).status).toBe(200);
    // Its drift is worked out anew at once.
    expect(server.driftsDue()).toBe(heard + 1);
    const { body } = await server.get(`/machines/${welder}`);
    expect(body.history[0].summary.signed).toMatchObject({ incomplete: true });
    expect(body.due).toMatchObject({ by: due.by, atHours: due.atHours });
    expect(body.notes).toEqual([expect.objectContaining({ text: 'Nut rounded', by: 'Ina' })]);
  });

  it('tells no more what a valve stood at that a later job set and did not read again', async () => {
    const truck = MACHINES.find(({ name }) => name === 'Salt truck 3')!.id;
    const machine = async () => (await server.get(`/machines/${truck}`)).body;
    const before = await machine();
    const { head: of, events } = signedAnew('Salt truck 3', before.hours.hours, NOW, (told) => [
      { type: 'scope.chosen', kinds: ['exhaust'] },
      ...told.slice(0, -1),
      { type: 'adjuster.locked', adjuster: 'exhaust.2', how: 'feel' },
      { type: 'adjuster.unset', adjuster: 'exhaust.2', reason: 'seized' },
      { type: 'job.signed', name: 'Ina', incomplete: true },
    ]);
    await server.post('/jobs', of);
    expect((await server.post(`/jobs/${of.id}/events`, events)).status).toBe(200);
    const [check] = (await server.get(`/machines/${truck}/checks`)).body;
    expect(check).toMatchObject({ leftUnread: ['exhaust.2'] });
    const { 'exhaust.2': _unread, ...others } = before.lastLeft.readings;
    expect(Object.keys((await machine()).lastLeft.readings).toSorted()).toEqual(
      Object.keys(others).toSorted(),
    );
  });

  it('keeps a job that was begun by mistake, counts nothing of it, and shows it apart', async () => {
    const barge = MACHINES.find(({ name }) => name === 'Barge')!.id;
    const before = (await server.get(`/machines/${barge}`)).body;
    const of = head(barge);
    await server.post('/jobs', of);
    await server.post(`/jobs/${of.id}/events`, [
      event(of.id, 1, { type: 'hours.read', hours: 9999 }),
      event(of.id, 2, { type: 'job.abandoned', reason: 'Wrong machine' }),
    ]);
    const { body } = await server.get(`/machines/${barge}`);
    expect(body.jobs).toEqual(before.jobs);
    expect([body.hours, body.due, body.history]).toEqual([
      before.hours,
      before.due,
      before.history,
    ]);
    expect(body.abandoned).toMatchObject([
      { id: of.id, summary: { abandoned: { reason: 'Wrong machine', by: 'Ina' } } },
    ]);
  });

  it('counts on from a meter that was replaced before a job', async () => {
    const standby = MACHINES.find(({ name }) => name === 'Standby set')!.id;
    const before = (await server.get(`/machines/${standby}`)).body;
    const { head: of, events } = signedAnew('Standby set', 2, NOW, (told) =>
      told.map((each) => (each.type === 'hours.read' ? { ...each, replaced: true } : each)),
    );
    await server.post('/jobs', of);
    await server.post(`/jobs/${of.id}/events`, events);
    const { body } = await server.get(`/machines/${standby}`);
    const ran = before.hours.hours + (before.meter.at(-1)?.offset ?? 0);
    expect(body.hours.hours).toBe(2);
    expect(body.meter.at(-1)).toMatchObject({ offset: ran - 2, first: 2 });
    expect(body.due).toMatchObject({ atHours: ran + body.interval, hoursLeft: body.interval });
  });

  it('counts the next check from the last signed job', async () => {
    const { body } = await server.get(`/machines/${PUMP}`);
    expect(body.due).toMatchObject({ by: 'hours', atHours: 6621, hoursLeft: 38 });
  });

  it('keeps a reading, and refuses one that runs against its neighbours', async () => {
    const post = (date: string, hours: unknown) =>
      server.post(`/machines/${TRACTOR}/hours`, { date, hours });
    expect((await post('2026-11-20', 2535.5)).status).toBe(201);
    expect((await server.get(`/machines/${TRACTOR}`)).body.hours).toEqual({
      date: '2026-11-20',
      hours: 2535.5,
    });
    const low = await post('2026-11-21', 12);
    expect(low.status).toBe(400);
    expect(low.body.error.issues[0]).toMatchObject({ path: 'hours' });
    const far = (await post('2026-11-23', 2595)).body.error.issues[0];
    expect(far).toMatchObject({ path: 'sure', message: expect.stringContaining('a year') });
    expect((await post('2026-10-01', 9999)).body.error.issues[0].message).toContain('only 2,531 h');
    expect((await post('2999-01-01', 9999)).body.error.issues[0].path).toBe('date');
    expect((await post('soon', 1)).body.error.issues[0].path).toBe('date');
    expect((await post('2026-11-21', '5')).body.error.issues[0].path).toBe('hours');
  });
});

describe('what is asked for most', () => {
  const ask = (path: string, encoding: string) =>
    new Promise<{ encoding: string | undefined; vary: string | undefined; bytes: Buffer }>(
      (resolve, reject) => {
        const headers = { 'accept-encoding': encoding, cookie: server.cookie };
        get(`${server.url}${path}`, { headers }, (answer) => {
          const parts: Buffer[] = [];
          answer.on('data', (part: Buffer) => parts.push(part));
          answer.on('end', () => {
            const { 'content-encoding': packed, vary } = answer.headers;
            resolve({ encoding: packed, vary, bytes: Buffer.concat(parts) });
          });
        }).on('error', reject);
      },
    );

  it.each(['/machines', `/machines/${PUMP}`, `/machines/${PUMP}/checks`])(
    'answers %s packed to those who can unpack it, and plainly to those who cannot',
    async (path) => {
      const [packed, plain] = [await ask(path, 'gzip, br'), await ask(path, 'identity')];
      expect(packed.encoding).toBe('gzip');
      expect(packed.vary).toContain('Accept-Encoding');
      expect(plain.encoding).toBeUndefined();
      expect(gunzipSync(packed.bytes)).toEqual(plain.bytes);
      expect(packed.bytes.length).toBeLessThan(plain.bytes.length / 2);
    },
  );

  it('gives the checks of a machine as their schema says, the newest first', async () => {
    const { body } = await server.get(`/machines/${PUMP}/checks`);
    expect(v.is(ChecksSchema, body)).toBe(true);
    const days = body.map(({ hours }: { hours: { date: string } }) => hours.date);
    expect(days).toEqual([...days].sort().reverse());
    expect((await server.get(`/machines/${randomUUID()}/checks`)).status).toBe(404);
    expect((await server.get(`/machines/${randomUUID()}`)).status).toBe(404);
  });

  it('is packed anew by the next who asks, after a change', async () => {
    const barge = MACHINES.find(({ name }) => name === 'Barge')!.id;
    const hours = async () => (await server.get(`/machines/${barge}`)).body.hours.hours;
    const before = await hours();
    expect(await hours()).toBe(before);
    await server.post(`/machines/${barge}/hours`, { date: '2026-11-22', hours: before + 1 });
    expect(await hours()).toBe(before + 1);
    const line = (await server.get('/machines')).body.find(
      ({ id }: { id: string }) => id === barge,
    );
    expect(line.hours.hours).toBe(before + 1);
  });

  it('counts on after a meter that was replaced', async () => {
    const launch = MACHINES.find(({ name }) => name === 'Launch')!.id;
    const before = (await server.get(`/machines/${launch}`)).body;
    const read = (body: object) => server.post(`/machines/${launch}/hours`, body);
    expect((await read({ date: '2026-11-22', hours: 2 })).status).toBe(400);
    expect((await read({ date: '2026-11-22', hours: 2, replaced: true })).status).toBe(201);
    const after = (await server.get(`/machines/${launch}`)).body;
    expect(after.hours).toEqual({ date: '2026-11-22', hours: 2 });
    expect(after.meter).toHaveLength(before.meter.length + 1);
    expect(after.due.hoursLeft).toBe(before.due.hoursLeft);
    expect((await read({ date: '2026-11-23', hours: 12, sure: true })).status).toBe(201);
    const later = (await server.get(`/machines/${launch}`)).body;
    expect(later.due.hoursLeft).toBe(before.due.hoursLeft - 10);
  });
});

describe('sheets', () => {
  it('publishes revisions, the same one once, and keeps a machine on its newest', async () => {
    const sheets = (await server.get('/sheets')).body as { id: string; name: string }[];
    const id = sheets.find(({ name }) => name === 'Ruff 1')!.id;
    const { document } = (await server.get(`/sheets/${id}`)).body;
    expect((await server.post('/sheets', { id, document })).status).toBe(200);
    const changed = { ...document, later: { kept: true } };
    const published = await server.post('/sheets', { id, document: changed });
    expect(published).toMatchObject({ status: 201, body: { id, revision: 2, document: changed } });
    expect((await server.get(`/sheets/${id}`)).body.document).toEqual(changed);
    const fresh = await server.post('/sheets', { id: randomUUID(), document });
    expect(fresh.body.revision).toBe(1);
  });

  it('puts a lost revision back under its number, where that says nothing else', async () => {
    const [id, lost] = [randomUUID(), MACHINES[0]!.sheet.document];
    const put = { id, revision: 3, document: lost };
    expect(await server.post('/sheets', put)).toMatchObject({ status: 201, body: { revision: 3 } });
    expect((await server.post('/sheets', put)).status).toBe(200);
    const other = await server.post('/sheets', { ...put, document: { ...lost, name: 'Ruff 9' } });
    expect(other.status).toBe(409);
    expect(other.body.error.issues[0].path).toBe('revision');
    const next = await server.post('/sheets', { id, document: { ...lost, name: 'Ruff 9' } });
    expect(next.body.revision).toBe(4);
    expect((await server.post('/sheets', { ...put, revision: 0 })).status).toBe(400);
  });

  it('keeps every revision to be read, the newest first', async () => {
    const sheets = (await server.get('/sheets')).body as { id: string; name: string }[];
    const id = sheets.find(({ name }) => name === 'Stint 3')!.id;
    const { document } = (await server.get(`/sheets/${id}`)).body;
    await server.post('/sheets', { id, document: { ...document, later: 1 } });
    const revisions = (await server.get(`/sheets/${id}/revisions`)).body;
    expect(v.is(SheetRevisionsSchema, revisions)).toBe(true);
    expect(revisions.map(({ revision }: { revision: number }) => revision)).toEqual([2, 1]);
    expect((await server.get(`/sheets/${id}/revisions/1`)).body.document).toEqual(document);
    expect((await server.get(`/sheets/${id}/revisions/9`)).status).toBe(404);
    expect((await server.get(`/sheets/${id}/revisions/x`)).status).toBe(404);
    expect((await server.get(`/sheets/${randomUUID()}/revisions`)).status).toBe(404);
  });

  it('refuses a sheet with mistakes, naming each, and keeps nothing of it', async () => {
    const before = (await server.get('/sheets')).body;
    const bad = { ...MACHINES[0]!.sheet.document, marks: [{ name: 'I', at: 400 }] };
    const answer = await server.post('/sheets', { id: randomUUID(), document: bad });
    expect(answer.status).toBe(400);
    expect(answer.body.error.issues[0].path).toBe('document.marks.0.at');
    expect((await server.post('/sheets', { id: 'x' })).body.error.issues[0].path).toBe('id');
    expect((await server.get('/sheets')).body).toEqual(before);
    expect((await server.get(`/sheets/${randomUUID()}`)).status).toBe(404);
  });
});

describe('jobs', () => {
  it('begins a job once, answers the same to the same, and 409 to a different one', async () => {
    const job = head();
    expect(await server.post('/jobs', job)).toEqual({ status: 201, body: job });
    expect(await server.post('/jobs', job)).toEqual({ status: 200, body: job });
    expect((await server.post('/jobs', { ...job, by: 'Orla' })).status).toBe(409);
  });

  it('refuses a job of no machine, of no revision, and one that is malformed', async () => {
    expect((await server.post('/jobs', head(randomUUID()))).status).toBe(404);
    const revision = await server.post('/jobs', { ...head(), sheetRevision: 9 });
    expect(revision.body.error.issues).toEqual([
      { path: 'sheetRevision', message: 'The machine’s sheet has no revision 9.' },
    ]);
    const malformed = await server.post('/jobs', { ...head(), id: 'x', method: 'guess' });
    expect(malformed.status).toBe(400);
    expect(malformed.body.error.issues.map(({ path }: { path: string }) => path)).toEqual([
      'id',
      'method',
    ]);
  });

  it('keeps each event once, in pages after a serial, unknown types included', async () => {
    const job = head();
    await server.post('/jobs', job);
    const events = [event(job.id, 1), event(job.id, 2, { type: 'from.later', extra: [1] })];
    const accepted = events.map(({ id }) => id);
    expect((await server.post(`/jobs/${job.id}/events`, events)).body).toEqual({ accepted });
    expect((await server.post(`/jobs/${job.id}/events`, [...events, ...events])).status).toBe(200);
    const page = await server.get(`/jobs/${job.id}/events?after=0`);
    expect(page.body).toEqual({ events, serial: expect.any(Number), more: false });
    const later = [event(job.id, 3)];
    await server.post(`/jobs/${job.id}/events`, later);
    const rest = await server.get(`/jobs/${job.id}/events?after=${page.body.serial}`);
    expect(rest.body.events).toEqual(later);
  });

  it('asks for the photos that events name and nobody has sent', async () => {
    const job = head();
    await server.post('/jobs', job);
    const photo = Buffer.from('the rear rocker');
    const [here, lost] = [createHash('sha256').update(photo).digest('hex'), 'e'.repeat(64)];
    const attachments = [here, lost].map((sha256) => ({ sha256, type: 'image/jpeg' }));
    const noted = event(job.id, 1, { type: 'machine.noted', text: 'Torn', attachments });
    await server.post(`/jobs/${job.id}/events`, [noted, event(job.id, 2)]);
    const lacking = async () => (await server.get(`/jobs/${job.id}/events?after=0`)).body.lacking;
    expect((await lacking()).sort()).toEqual([here, lost].sort());
    const put = { method: 'PUT', headers: { 'content-type': 'image/jpeg' }, body: photo };
    expect((await server.fetch(`/blobs/${here}`, put)).status).toBe(201);
    expect(await lacking()).toEqual([lost]);
  });

  it('keeps all of a batch or nothing of it, and names what is wrong', async () => {
    const job = head();
    await server.post('/jobs', job);
    const bad = await server.post(`/jobs/${job.id}/events`, [
      event(job.id, 1),
      event(job.id, 0),
      event(randomUUID(), 2),
    ]);
    expect(bad.status).toBe(400);
    expect(bad.body.error.issues).toEqual([
      { path: '1.n', message: 'n is a whole number from 1.' },
    ]);
    const foreign = await server.post(`/jobs/${job.id}/events`, [event(randomUUID(), 2)]);
    expect(foreign.body.error.issues[0].path).toBe('0.job');
    expect((await server.get(`/jobs/${job.id}/events?after=0`)).body.events).toEqual([]);
    expect((await server.get(`/jobs/${job.id}/events?after=x`)).body.error.issues[0].path).toBe(
      'after',
    );
  });

  it('refuses an event whose id another job has', async () => {
    const [one, other] = [head(), head()];
    await server.post('/jobs', one);
    await server.post('/jobs', other);
    const kept = event(one.id, 1);
    await server.post(`/jobs/${one.id}/events`, [kept]);
    const again = await server.post(`/jobs/${other.id}/events`, [{ ...kept, job: other.id }]);
    expect(again.body.error.issues[0].path).toBe('0.id');
  });

  it('says 413 to too many and to too large, 404 to no job, 400 to no JSON', async () => {
    const job = head();
    await server.post('/jobs', job);
    const many = Array.from({ length: 501 }, (_, i) => event(job.id, i + 1));
    expect((await server.post(`/jobs/${job.id}/events`, many)).status).toBe(413);
    expect((await server.post(`/jobs/${job.id}/events`, many.slice(0, 500))).status).toBe(200);
    const large = [event(job.id, 1, { type: 'from.later', extra: 'x'.repeat(2_000_000) })];
    expect((await server.post(`/jobs/${job.id}/events`, large)).status).toBe(413);
    expect((await server.post(`/jobs/${randomUUID()}/events`, [])).status).toBe(404);
    const broken = await server.post('/jobs', '{"id":');
    expect(broken.status).toBe(400);
    expect(JSON.stringify(broken.body)).not.toContain('node_modules');
    expect((await server.get('/nothing')).status).toBe(404);
  });

  it('keeps a hundred batches posted at once', async () => {
    const job = head();
    await server.post('/jobs', job);
    const batches = Array.from({ length: 100 }, (_, i) => [event(job.id, i + 1)]);
    const answers = await Promise.all(
      batches.map((batch) => server.post(`/jobs/${job.id}/events`, batch)),
    );
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([200]));
    expect(await server.db.tables.events.count({ where: { job: job.id } })).toBe(100);
  });
});
