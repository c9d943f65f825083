import 'fake-indexeddb/auto';
import type { JobContext, JobEvent, MachineDetail, SheetDetail } from '@longbar/core';
import { addedMachine } from '@longbar/core';
import { inlineSix } from '../../core/test-support/engines';
import type { PhoneDatabase } from '../phone/phoneDatabase';
import { openPhoneDatabase } from '../phone/phoneDatabase';
import type { Look } from './offer';
import { offerLacking } from './offer';

const NOW = '2026-05-02T08:00:00.000Z';
const id = (n: number) => `00000000-0000-4000-8000-00000000000${n}`;
const [JOB, OTHER, PUMP, SKIFF, SHEET] = [1, 2, 3, 4, 5].map(id) as [
  string,
  string,
  string,
  string,
  string,
];
const photo = { sha256: 'a'.repeat(64), type: 'image/jpeg', body: new ArrayBuffer(3) };

function event(n: number, job: string): JobEvent {
  const own = `00000000-0000-4000-9000-${job.slice(-2)}${String(n).padStart(10, '0')}`;
  return { id: own, job, n, at: NOW, by: 'Ina', type: 'bar.out' };
}
const contextOf = (job: string, machine: string) =>
  ({ head: { id: job, machine, at: NOW } }) as JobContext;

/** A server that holds these events, machines and photos, and answers two events at a time. */
function serverWith(
  events: Record<string, JobEvent[]>,
  machines: string[],
  photos: string[] = [],
  sheets: string[] = [`${SHEET} 1`],
): Look {
  const found = (there: boolean) => ({ status: there ? 200 : 404, body: null });
  return async (path) => {
    const [, kind = '', name = '', , revision = ''] = path.split('/');
    if (kind === 'sheets') return found(sheets.includes(`${name} ${revision}`));
    if (kind === 'machines') return found(machines.includes(name));
    if (kind === 'blobs') return found(photos.includes(name));
    const held = events[name];
    if (!held) return found(false);
    const after = Number(path.split('after=')[1]);
    const page = held.slice(after, after + 2);
    const serial = after + page.length;
    return { status: 200, body: { events: page, serial, more: serial < held.length } };
  };
}

/** The same, with a machine that it tells all of. */
const withMachine =
  (server: Look, machine: MachineDetail): Look =>
  async (path) =>
    path === `/machines/${machine.id}` ? { status: 200, body: machine } : server(path);

let names = 0;
let db: PhoneDatabase;
beforeEach(async () => {
  db = await openPhoneDatabase(`offer-${names++}`);
  await db.keepJob(contextOf(JOB, PUMP), false, NOW);
  await db.keepJob(contextOf(OTHER, SKIFF), false, NOW);
  await db.mergeEvents([5, 1, 3, 2, 4].map((n) => event(n, JOB)));
  await db.mergeEvents([event(1, OTHER)]);
});

const waiting = async () =>
  (await db.outgoing(99, -1)).map((item) =>
    item.kind === 'event' ? [item.event.job, item.event.n] : item.kind,
  );

describe('after the server was put back to an earlier state', () => {
  it('what this phone holds and it lacks is sent again, in order, and nothing else', async () => {
    const held = { [JOB]: [1, 2, 3].map((n) => event(n, JOB)) };
    const lacking = await offerLacking(db, serverWith(held, [PUMP, SKIFF]), NOW);
    expect(lacking).toBe(4);
    expect(await waiting()).toEqual([[JOB, 4], [JOB, 5], 'job', [OTHER, 1]]);
  });

  it('what came too late for a signature goes after it, whatever its number', async () => {
    const late = [event(2, JOB).id, event(3, JOB).id];
    await db.keepJob({ ...contextOf(JOB, PUMP), late }, false, NOW);
    await offerLacking(db, serverWith({ [JOB]: [], [OTHER]: [] }, [PUMP, SKIFF]), NOW);
    const numbers = [1, 4, 5, 2, 3].map((n) => [JOB, n]);
    expect(await waiting()).toEqual([...numbers, [OTHER, 1]]);
  });

  it('nothing is sent where it lacks nothing', async () => {
    const held = { [JOB]: [1, 2, 3, 4, 5].map((n) => event(n, JOB)), [OTHER]: [event(1, OTHER)] };
    expect(await offerLacking(db, serverWith(held, [PUMP, SKIFF]), NOW)).toBe(0);
    expect(await waiting()).toEqual([]);
  });

  it('a machine goes before its jobs, with the hours that are known of it; photos too', async () => {
    await db.keepBlob(photo, NOW);
    await db.sent((await db.outgoing(9, -1)).map(({ seq }) => seq));
    const sheet = { id: SHEET, revision: 1, document: inlineSix() } as SheetDetail;
    const skiff = addedMachine({ id: SKIFF, name: 'Skiff', sheet: SHEET }, sheet, '2026-05-02');
    const readings = [
      { date: '2026-05-01', hours: 9, id: '12' },
      { date: '2026-04-01', hours: 7, id: '11' },
      { date: '2026-03-01', hours: 5, id: OTHER },
    ];
    const body = { ...skiff, place: 'Quay', readings };
    await db.keepAnswer({ path: `/machines/${SKIFF}`, body, at: NOW });
    await offerLacking(db, serverWith({ [JOB]: [] }, [PUMP]), NOW);
    const all = await db.outgoing(99, -1);
    expect(all.map(({ kind }) => kind).slice(0, 4)).toEqual(['machine', 'hours', 'hours', 'blob']);
    expect(all[0]).toMatchObject({ machine: { id: SKIFF, name: 'Skiff', place: 'Quay' } });
    expect(all[1]).toMatchObject({ machine: SKIFF, reading: { date: '2026-04-01', hours: 7 } });
  });

  it('hours that a machine of it lacks come again, but none that were taken back or put right', async () => {
    const sheet = { id: SHEET, revision: 1, document: inlineSix() } as SheetDetail;
    const pump = addedMachine({ id: PUMP, name: 'Pump', sheet: SHEET }, sheet, '2026-05-02');
    const there: MachineDetail['readings'] = [{ date: '2026-03-01', hours: 5, id: '11' }];
    const readings = [
      { date: '2026-06-01', hours: 20, id: '14' },
      { date: '2026-05-01', hours: 15, id: '13', takenBack: true },
      { date: '2026-04-01', hours: 12, id: '12' },
      { date: '2026-03-01', hours: 6, id: '11', was: [5] },
      { date: '2026-02-01', hours: 4, id: JOB },
    ];
    await db.keepAnswer({ path: `/machines/${PUMP}`, body: { ...pump, readings }, at: NOW });
    const events = { [JOB]: [1, 2, 3, 4, 5].map((n) => event(n, JOB)), [OTHER]: [event(1, OTHER)] };
    const server = withMachine(serverWith(events, [SKIFF]), { ...pump, readings: there });
    expect(await offerLacking(db, server, NOW)).toBe(2);
    const hours = (await db.outgoing(9, -1)).map((item) => item.kind === 'hours' && item.reading);
    expect(hours).toMatchObject([
      { date: '2026-04-01', hours: 12 },
      { date: '2026-06-01', hours: 20 },
    ]);
  });

  it('an empty server gets the sheets first, each revision under its number, and every machine', async () => {
    const sheet = { id: SHEET, revision: 2, document: inlineSix(), publishedAt: NOW };
    const skiff = addedMachine({ id: SKIFF, name: 'Skiff', sheet: SHEET }, sheet, '2026-05-02');
    const kept = { [`/machines/${SKIFF}`]: skiff, [`/sheets/${SHEET}`]: { ...sheet, revision: 3 } };
    for (const [path, body] of Object.entries(kept)) {
      await db.keepAnswer({ path, body: { retired: true, ...body }, at: NOW });
    }
    await offerLacking(db, serverWith({}, [], [], []), NOW);
    const all = await db.outgoing(99, -1);
    expect(all.map((item) => (item.kind === 'sheet' ? item.sheet.revision : item.kind))).toEqual([
      ...[2, 3, 'machine', 'change'],
      ...['job', ...Array.from({ length: 5 }, () => 'event'), 'job', 'event'],
    ]);
    expect(all[3]).toMatchObject({ machine: SKIFF, patch: { retired: true } });
  });

  it('the photos of sheets and machines go too, where this phone has fetched them', async () => {
    const [known, unknown] = ['b'.repeat(64), 'c'.repeat(64)];
    const photos = [known, unknown].map((sha256) => ({
      sha256,
      type: 'image/jpeg',
      what: 'Marks',
    }));
    const document = { ...inlineSix(), photos };
    const sheet = { id: SHEET, revision: 1, document, publishedAt: NOW };
    const skiff = addedMachine({ id: SKIFF, name: 'Skiff', sheet: SHEET }, sheet, '2026-05-02');
    await db.keepAnswer({ path: `/machines/${SKIFF}`, body: skiff, at: NOW });
    const headers = new Map([['content-type', 'image/jpeg']]);
    const answer = { headers, arrayBuffer: async () => new ArrayBuffer(4) };
    const match = async (url: string) => (url.endsWith(`/${known}`) ? answer : undefined);
    Object.assign(globalThis, { caches: { open: async () => ({ match }) } });
    const server = serverWith({ [JOB]: [], [OTHER]: [] }, [PUMP]);
    await offerLacking(db, withMachine(server, skiff), NOW);
    Reflect.deleteProperty(globalThis, 'caches');
    const sent = (await db.outgoing(99, -1)).filter(({ kind }) => kind === 'blob');
    expect(sent).toMatchObject([{ sha256: known }]);
    expect((await db.blob(known))?.body.byteLength).toBe(4);
  });

  it('does nothing half where the server stops answering in the middle', async () => {
    const server = serverWith({}, [PUMP, SKIFF]);
    const failing: Look = (path) =>
      path.includes(OTHER) ? Promise.resolve({ status: 503, body: null }) : server(path);
    await expect(offerLacking(db, failing, NOW)).rejects.toThrow();
    expect(await waiting()).toEqual([]);
  });
});
