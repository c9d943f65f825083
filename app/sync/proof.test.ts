import 'fake-indexeddb/auto';
import { createPublicKey, verify } from 'node:crypto';
import type { JobContext, JobEvent } from '@longbar/core';
import { SignatureSchema, signedText } from '@longbar/core';
import * as v from 'valibot';
import type { PhoneDatabase } from '../phone/phoneDatabase';
import { openPhoneDatabase } from '../phone/phoneDatabase';
import { beginWalk, sendOldest } from './outbox';
import type { Request } from './outbox';
import { registerKey } from './proof';

const JOB = '00000000-0000-4000-8000-000000000001';
const NOW = '2026-05-02T08:00:00.000Z';
const head = {
  id: JOB,
  machine: '00000000-0000-4000-8000-000000000002',
  sheet: '00000000-0000-4000-8000-000000000003',
  method: 'each' as const,
  sheetRevision: 1,
  at: NOW,
  by: 'Ina',
};
const context = { head, machineName: 'Barge' } as JobContext;
const event = (n: number, act: object): JobEvent =>
  ({
    id: `00000000-0000-4000-9000-00000000000${n}`,
    job: JOB,
    n,
    at: NOW,
    by: 'Ina',
    ...act,
  }) as JobEvent;
const HOURS = event(1, { type: 'hours.read', hours: 6612 });
const SIGNED = event(2, { type: 'job.signed', name: 'Ina' });

let names = 0;
let db: PhoneDatabase;
beforeEach(async () => {
  db = await openPhoneDatabase(`proof-${names++}`);
  await db.keepJob(context, false, NOW);
});

const registered = async () => ({ status: 200, body: { name: 'Ina Holm' } });

/** Sends all that can be; answers the signatures that were posted, and what waits. */
async function send(status = 204) {
  const posted: unknown[] = [];
  const ask = async ({ path, body }: Request) => {
    if (path.endsWith('/signature')) posted.push(body);
    return { status: path.endsWith('/signature') ? status : 200, body: null };
  };
  const walk = await beginWalk(db);
  while ((await sendOldest(db, ask, walk)) === 'progress');
  return { posted, held: walk.held, left: (await db.unsent()).count };
}

it('a phone signs what it knows of a job, by its own key and in its person’s name', async () => {
  await db.appendOwn([HOURS, SIGNED]);
  // It waits until the server knows the key.
  const before = await send();
  expect([before.posted, before.held.length, before.left]).toEqual([[], 1, 1]);
  await registerKey(db, 'shop life-1', registered);
  const { posted, left } = await send();
  expect(left).toBe(0);
  const { words, key, signature } = v.parse(SignatureSchema, posted[0]);
  expect(words).toMatchObject({ machine: 'Barge', name: 'Ina Holm', job: { id: JOB, by: 'Ina' } });
  const x = Buffer.from(key, 'hex').toString('base64url');
  const publicKey = createPublicKey({ key: { kty: 'OKP', crv: 'Ed25519', x }, format: 'jwk' });
  expect(
    verify(null, Buffer.from(signedText(words)), publicKey, Buffer.from(signature, 'hex')),
  ).toBe(true);
  expect(await db.signedHere()).toEqual([JOB]);
});

it('what does not fit, or is signed no more, is not tried again, and keeps nobody', async () => {
  await registerKey(db, 'shop life-1', registered);
  await db.appendOwn([HOURS]);
  await db.queueProof(JOB, NOW);
  expect(await send()).toMatchObject({ posted: [], left: 0 });
  await db.appendOwn([SIGNED]);
  expect(await send(409)).toMatchObject({ posted: [expect.anything()], left: 0 });
  expect((await db.unsent()).aside).toEqual([]);
});

it('the key is registered once in each life of the database, and anew where that is asked', async () => {
  const asked: object[] = [];
  const put = async (_path: string, body: object) => {
    asked.push(body);
    return registered();
  };
  await registerKey(db, 'shop life-1', put);
  await registerKey(db, 'shop life-1', put);
  await registerKey(db, 'shop life-2', put);
  await db.unregisterKey();
  await registerKey(db, 'shop life-2', put);
  expect(asked).toHaveLength(3);
  expect(new Set(asked.map((body) => JSON.stringify(body))).size).toBe(1);
});

it('a phone that is signed out keeps nothing that was fetched, and all that is unsent', async () => {
  const other = { ...context, head: { ...head, id: JOB.replace('0001', '0009') } };
  await db.keepJob(other, false, NOW);
  await db.mergeEvents([{ ...HOURS, id: HOURS.id.replace('0001', '0009'), job: other.head.id }]);
  await db.appendOwn([HOURS]);
  await db.keepBlob({ sha256: 'a', type: 'image/png', body: new ArrayBuffer(1) }, NOW);
  await db.keepAnswer({ path: '/machines', body: [], at: NOW });
  await db.clearFetched();
  expect((await db.jobs()).map(({ head: { id } }) => id)).toEqual([JOB]);
  expect(await db.eventsOf(JOB)).toEqual([HOURS]);
  expect(await db.eventsOf(other.head.id)).toEqual([]);
  expect(await db.blob('a')).toBeDefined();
  expect(await db.answer('/machines')).toBeUndefined();
  expect((await db.unsent()).count).toBe(2);
  await db.sent((await db.outgoing(10, -1)).map(({ seq }) => seq));
  await db.clearFetched();
  expect([await db.jobs(), await db.blobNames()]).toEqual([[], []]);
});
