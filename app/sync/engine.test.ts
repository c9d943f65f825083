import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import type { JobAct, JobContext } from '@longbar/core';
import type { PhoneDatabase } from '../phone/phoneDatabase';
import { openPhoneDatabase } from '../phone/phoneDatabase';
import { jobKept } from '../state/jobs';
import type { AppStore } from '../state/store';
import { createStore } from '../state/store';
import { SyncEngine } from './engine';

const JOB = '00000000-0000-4000-8000-000000000001';
const NOW = '2026-05-02T08:00:00.000Z';
const context = { head: { id: JOB, at: NOW } } as JobContext;
const hours = (shown: number): JobAct => ({ type: 'hours.read', hours: shown });
const follows: JobAct = { type: 'bar.out' };

let db: PhoneDatabase;
let store: AppStore;
let engine: SyncEngine;
beforeEach(async () => {
  // What comes after the tap, as sending it, is not waited for.
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  globalThis.indexedDB = new IDBFactory();
  db = await openPhoneDatabase();
  store = createStore();
  store.dispatch(jobKept({ context, events: [] }));
  const reader = { dueOf: () => [follows], knownHere: () => ({ knew: [] }) };
  engine = new SyncEngine(
    store,
    () => Promise.resolve({ ...jest.requireActual('../state/openJob'), ...reader }),
    () => NOW,
  );
});
afterEach(() => {
  jest.restoreAllMocks();
  jest.useRealTimers();
});

const shown = () => store.getState().jobs.byId[JOB]?.events ?? [];

it('one tap and what follows of it are one write, of one instant, in order', async () => {
  const writes = jest.spyOn(IDBTransaction.prototype, 'commit');
  await engine.record(JOB, 'Ina', hours(5), hours(6));
  expect(writes).toHaveBeenCalledTimes(1);
  const kept = (await db.eventsOf(JOB)).sort((a, b) => a.n - b.n);
  expect(kept).toMatchObject([
    { n: 1, at: NOW, by: 'Ina', hours: 5 },
    { n: 2, at: NOW, by: 'Ina', hours: 6 },
    { n: 3, at: NOW, by: 'Ina', type: 'bar.out' },
  ]);
  expect(shown()).toEqual(kept);
  expect((await db.unsent()).count).toBe(3);
});

it('of a tap that no server would take in part, nothing is kept or shown', async () => {
  await expect(engine.record(JOB, 'Ina', hours(5), hours(-1))).rejects.toThrow('not recorded');
  expect([await db.eventsOf(JOB), shown(), (await db.unsent()).count]).toEqual([[], [], 0]);
  expect(store.getState().jobs.storeFailed).toContain('not recorded');
  await engine.record(JOB, 'Ina', hours(5));
  expect([shown().length, store.getState().jobs.storeFailed]).toEqual([2, null]);
});

it('of a tap that the disk fails at, nothing is kept or shown', async () => {
  jest.spyOn(IDBTransaction.prototype, 'commit').mockImplementation(function (
    this: IDBTransaction,
  ) {
    this.abort();
  });
  await expect(engine.record(JOB, 'Ina', hours(5), hours(6))).rejects.toThrow();
  jest.restoreAllMocks();
  expect([await db.eventsOf(JOB), shown(), (await db.unsent()).count]).toEqual([[], [], 0]);
  expect(store.getState().jobs.storeFailed).toContain('store failed');
});

it('a job that is signed here is to be proved, in the same write', async () => {
  await engine.record(JOB, 'Ina', { type: 'job.signed', name: 'Ina' });
  expect(await db.signedHere()).toEqual([JOB]);
  const kinds = (await db.outgoing(9, 0)).map(({ kind }) => kind);
  expect(kinds).toEqual(['event', 'event', 'proof']);
});
