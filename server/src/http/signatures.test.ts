import { AnyRow } from '../../test-support/anyRow';
import type { KeyObject } from 'node:crypto';
import { generateKeyPairSync, randomUUID, sign } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { JobEvent, JobHead, Signature, SignedWords } from '@longbar/core';
import { signedText, signedWords } from '@longbar/core';
import type { TestServer } from '../../test-support/testServer';
import { NOW } from '../../test-support/now';
import { startTestServer } from '../../test-support/testServer';
import { signedAnew } from '../../test-support/signedAnew';
import { shareRecord } from '../store/yard/shares';
import { verifyFile } from '../verify/verifyFile';

let server: TestServer;
let head: JobHead;
let events: JobEvent[];
beforeEach(async () => {
  server = await startTestServer();
  ({ head, events } = signedAnew('Barge', 9000, NOW));
  await server.post('/jobs', head);
});
afterEach(() => server.close());

type Key = { key: string; secret: KeyObject };

/** A key as a phone makes it, registered for the phone of the foreman unless another is said. */
async function newKey(cookie = server.cookie): Promise<Key> {
  const { publicKey, privateKey: secret } = generateKeyPairSync('ed25519');
  const { x = '' } = publicKey.export({ format: 'jwk' });
  const key = Buffer.from(x, 'base64url').toString('hex');
  const put = await server.fetch('/me/key', {
    method: 'PUT',
    headers: { 'content-type': 'application/json', cookie },
    body: JSON.stringify({ key }),
  });
  expect(put.status).toBe(200);
  return { key, secret };
}

const sealOf = async () => (await server.get(`/jobs/${head.id}/seal`)).body;

/** What a phone signs of the job, changed as told. */
async function signed(by: Key, change: Partial<SignedWords> = {}): Promise<Signature> {
  const { seal } = await sealOf();
  const said = { machine: 'Barge', seal, name: 'Vera', at: NOW.toISOString() };
  const words = { ...signedWords(head, said), ...change };
  const signature = sign(null, Buffer.from(signedText(words)), by.secret).toString('hex');
  return { words, key: by.key, signature };
}

const post = async (signature: Signature) =>
  (await server.post(`/jobs/${head.id}/signature`, signature)).status;

describe('the signature of a phone’s key', () => {
  it('stands on a signed record, once, and shows where it fits no longer', async () => {
    const own = await newKey();
    expect((await sealOf()).signature).toBeNull();
    await server.post(`/jobs/${head.id}/events`, events);
    const signature = await signed(own);
    expect(await post(signature)).toBe(204);
    expect((await sealOf()).signature).toEqual({ ...signature, fits: true });
    // It was Vera's phone that all of Ina's entries came from.
    expect((await sealOf()).hands).toEqual([{ by: 'Ina', phone: 'Vera', entries: events.length }]);
    // Another one finds it signed already.
    expect(await post(await signed(own, { at: '2026-11-24T09:00:00.000Z' }))).toBe(204);
    expect((await sealOf()).signature.words.at).toBe(NOW.toISOString());
    await server.db.write((transaction) =>
      server.db.whole.run(
        `UPDATE signatures SET words = replace(words, 'Vera', 'Vero') WHERE job = $1`,
        [head.id],
        transaction,
      ),
    );
    expect((await sealOf()).signature.fits).toBe(false);
    expect(await post(signature)).toBe(204);
  });

  it('vouches for this record alone, by the phone’s own key and in its person’s name', async () => {
    const own = await newKey();
    const tove = await server.pairedAs('Tove', 'technician');
    const toves = await newKey(tove);
    const other = { seal: 'a'.repeat(64) };
    expect(await post(await signed(own, other))).toBe(409);
    await server.post(`/jobs/${head.id}/events`, events);
    const good = await signed(own);
    const wrong: [string, Signature][] = [
      ['other entries', await signed(own, other)],
      ['another job', await signed(own, { job: { ...good.words.job, id: randomUUID() } })],
      ['another method', await signed(own, { job: { ...good.words.job, method: 'mate' } })],
      ['another name', await signed(own, { name: 'Tove' })],
      ['another phone’s key', await signed(toves)],
      ['a key nobody registered', { ...good, key: 'b'.repeat(64) }],
      [
        'words changed since',
        { ...good, words: { ...good.words, at: '2026-11-24T09:00:00.000Z' } },
      ],
    ];
    for (const [what, signature] of wrong)
      expect([what, await post(signature)]).toEqual([what, 409]);
    expect((await sealOf()).signature).toBeNull();
    const { words: _, ...without } = good;
    expect((await server.post(`/jobs/${head.id}/signature`, without)).status).toBe(400);
    expect((await server.put('/me/key', { key: toves.key })).status).toBe(409);
    expect((await server.put('/me/key', { key: 'x' })).status).toBe(400);
  });

  it('stays theirs when its person is called otherwise', async () => {
    const own = await newKey();
    await server.post(`/jobs/${head.id}/events`, events);
    const { body: people } = await server.get('/people');
    const { id } = people.find(({ name }: { name: string }) => name === 'Vera');
    await server.patch(`/people/${id}`, { name: 'Vera Holm' });
    // Signed without signal, before the phone knew; and whose phone it was is as it was then.
    expect(await post(await signed(own))).toBe(204);
    expect((await sealOf()).hands).toEqual([{ by: 'Ina', phone: 'Vera', entries: events.length }]);
    const put = await server.put('/me/key', { key: own.key });
    expect(put.body).toEqual({ name: 'Vera Holm' });
    expect(await post(await signed(own, { name: 'Vera Holm' }))).toBe(204);
    const to = join(server.folder, 'taken');
    writeFileSync(to, await (await server.fetch('/archive')).text());
    const whole = await verifyFile(to);
    expect([whole.holds, whole.said.some((line) => line.includes('Vera Holm’s phone'))]).toEqual([
      true,
      true,
    ]);
  });

  it('is in the record as a file and in the archive, which prove it by themselves', async () => {
    await server.post(`/jobs/${head.id}/events`, events);
    expect(await post(await signed(await newKey()))).toBe(204);
    const file = async (path: string) => {
      const to = join(server.folder, 'taken');
      writeFileSync(to, Buffer.from(await (await server.fetch(path)).arrayBuffer()));
      return verifyFile(to);
    };
    const record = await file(`/jobs/${head.id}/record-file`);
    expect(record.holds).toBe(true);
    expect(record.said[1]).toMatch(/^Signed by the key of Vera’s phone/);
    const whole = await file('/archive');
    expect(whole.said.filter((line) => /by the key of (Vera|Ina)’s phone/.test(line))).toHaveLength(
      2,
    );
    expect(whole.holds).toBe(true);
    // A figure in the database, changed by whoever has the disk.
    await server.db.write((transaction) =>
      server.db.whole.run(
        `UPDATE events SET body = replace(body, '9000', '8000') WHERE job = $1`,
        [head.id],
        transaction,
      ),
    );
    expect((await file('/archive')).said).toEqual([
      expect.stringMatching(/^Barge, .*seal is broken/),
    ]);
    const forged = await file(`/jobs/${head.id}/record-file`);
    expect([forged.holds, forged.said.at(-1)]).toEqual([
      false,
      'The signature is of other entries than these: something was changed.',
    ]);
    expect((await server.get(`/jobs/${randomUUID()}/record-file`)).status).toBe(404);
  });
});

describe('a link to a record', () => {
  const asAnybody = (path: string) => fetch(`${server.url}${path}`);

  it('reads that record and nothing else, until it is taken back', async () => {
    expect((await server.post(`/jobs/${head.id}/shares`, { days: 7 })).status).toBe(409);
    await server.post(`/jobs/${head.id}/events`, events);
    expect((await server.post(`/jobs/${head.id}/shares`, { days: 8 })).status).toBe(400);
    const { body: made } = await server.post(`/jobs/${head.id}/shares`, { days: 7 });
    const pdf = await asAnybody(`/shared/${made.secret}`);
    expect([pdf.status, pdf.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    expect((await asAnybody(`/shared/${made.secret}/file`)).status).toBe(200);
    expect((await asAnybody(`/jobs/${head.id}/record.pdf`)).status).toBe(401);
    const { body: shares } = await server.get(`/jobs/${head.id}/shares`);
    expect(shares).toEqual([{ id: made.id, by: 'Vera', until: made.until }]);
    expect(
      JSON.stringify(await server.db.whole.rows(AnyRow, 'SELECT * FROM shares')),
    ).not.toContain(made.secret);
    expect((await server.delete(`/jobs/${head.id}/shares/${made.id}`)).body).toEqual([]);
    expect((await asAnybody(`/shared/${made.secret}`)).status).toBe(404);
    expect((await server.delete(`/jobs/${head.id}/shares/${made.id}`)).status).toBe(404);
    const { body: audit } = await server.get('/audit');
    const whats = audit.slice(0, 2).map(({ what }: { what: string }) => what);
    expect(whats).toEqual(['share-ended', 'record-shared']);
  });

  it('ends by itself', async () => {
    await server.post(`/jobs/${head.id}/events`, events);
    const now = new Date(Date.now() - 7 * 86_400_000 - 1000);
    const { secret } = await shareRecord(server.db, head.id, { by: 'Vera', days: 7, now });
    expect((await asAnybody(`/shared/${secret}`)).status).toBe(404);
    expect((await server.get(`/jobs/${head.id}/shares`)).body).toEqual([]);
  });
});
