import 'fake-indexeddb/auto';
import type { JobContext, Me } from '@longbar/core';
import type { PhoneDatabase } from '../phone/phoneDatabase';
import { openPhoneDatabase } from '../phone/phoneDatabase';
import { preferencesChanged } from '../state/preferences';
import type { AppStore } from '../state/store';
import { createStore } from '../state/store';
import { heldBy } from './holder';
import { registerKey } from './proof';

const NOW = '2026-05-02T08:00:00.000Z';
const JOB = '00000000-0000-4000-8000-000000000001';
const tam: Me = { id: 'tam', name: 'Tam', role: 'foreman', phone: 'one', alone: false };

let names = 0;
let db: PhoneDatabase;
let store: AppStore;
beforeEach(async () => {
  db = await openPhoneDatabase(`holder-${names++}`);
  store = createStore();
  store.dispatch(preferencesChanged({ holder: null, name: 'Tam', names: ['Tam'] }));
  await heldBy(db, store, tam);
  await db.keepJob({ head: { id: JOB } } as JobContext, false, NOW);
  await db.queueProof(JOB, NOW);
  await registerKey(db, 'life', async () => ({ status: 200, body: { name: 'Tam' } }));
  for (const path of ['/machines', '/machines/a', '/sheets/b', '/shop', '/people', '/audit']) {
    await db.keepAnswer({ path, body: [], at: NOW });
  }
});

const keptPaths = async () => (await db.answersUnder('/')).map(({ path }) => path);
const preferences = () => store.getState().preferences;

it('another person signs by another key, and finds every job that a lost server may need', async () => {
  await heldBy(db, store, { ...tam, id: 'orla', name: 'Orla' });
  expect([await db.ownKey(), await db.signedHere()]).toEqual([undefined, []]);
  expect(await db.jobs()).toHaveLength(1);
  expect(await keptPaths()).toHaveLength(6);
  expect(preferences().holder).toMatchObject({ id: 'orla', name: 'Orla' });
});

it('who may read less than before finds what everybody reads, and nothing else', async () => {
  await heldBy(db, store, { ...tam, role: 'technician' });
  expect(await keptPaths()).toEqual(['/machines', '/machines/a', '/sheets/b', '/shop']);
  expect((await db.ownKey())?.registered).toBe('life');
});

it('the same person paired again registers the same key again', async () => {
  const before = await db.ownKey();
  await heldBy(db, store, { ...tam, phone: 'two' });
  expect(await db.ownKey()).toEqual({ ...before, registered: null });
  expect(await db.signedHere()).toEqual([JOB]);
});

it('who is called otherwise works by the new name, unless another works with the phone', async () => {
  await heldBy(db, store, { ...tam, name: 'Tam Roe' });
  expect(preferences()).toMatchObject({ name: 'Tam Roe', names: ['Tam Roe'] });
  store.dispatch(preferencesChanged({ name: 'Orla' }));
  await heldBy(db, store, { ...tam, name: 'Tam' });
  expect(preferences().name).toBe('Orla');
});

it('a phone whose browser forgot who works with it is its holder’s, as the server says', async () => {
  store.dispatch(preferencesChanged({ holder: null, name: '', names: [] }));
  await heldBy(db, store, tam);
  expect(preferences()).toMatchObject({ name: 'Tam', names: ['Tam'] });
});
