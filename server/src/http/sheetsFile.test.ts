import { createHash, randomUUID } from 'node:crypto';
import type { SheetDetail, SheetLine, SheetsFile, SheetsReport } from '@longbar/core';
import { SHEETS_FORMAT, SheetsFileSchema, SheetsReportSchema } from '@longbar/core';
import * as v from 'valibot';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { SHEETS } from '../demo/yard';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

const [first, second] = SHEETS.map(({ id }) => id) as [string, string];
const BYTES = Buffer.from('a page of the manual');
const photo = {
  sha256: createHash('sha256').update(BYTES).digest('hex'),
  type: 'image/png',
  base64: BYTES.toString('base64'),
};
const exported = async (...ids: string[]) => {
  const { body } = await server.get(`/sheets/file?${ids.map((id) => `id=${id}`).join('&')}`);
  return body as SheetsFile & { sheets: { id: string; document: Record<string, unknown> }[] };
};
const put = (file: unknown, options: object = { take: true }) =>
  server.post('/sheets/file', { file, ...options });
const list = async (query = '') => (await server.get(`/sheets${query}`)).body as SheetLine[];

describe('sheets that travel', () => {
  it('go out with their photos and come into another shop as they were', async () => {
    const file = await exported(first, second);
    const [one] = file.sheets;
    if (!one) throw new Error('Nothing was exported.');
    one.document.photos = [{ sha256: photo.sha256, type: photo.type, what: 'Page 214' }];
    file.photos.push(photo);
    expect((await put(file)).status).toBe(200);
    const again = await exported(first, second);
    expect(again).toEqual(file);
    expect(v.is(SheetsFileSchema, again)).toBe(true);
    const other = await startTestServer({ empty: true });
    const answer = await other.post('/sheets/file', { file: again, take: true });
    expect((answer.body as SheetsReport).sheets.map(({ is }) => is)).toEqual(['new', 'new']);
    expect((await other.get('/sheets/file')).body).toEqual(file);
    await other.close();
  });

  it('are told as new, newer, the same or older before anything is kept', async () => {
    const before = await exported(first, second);
    const changed = await exported(first, second);
    const [one] = changed.sheets;
    Object.assign(one?.document ?? {}, { note: 'Looked up again' });
    const third = { id: randomUUID(), document: { ...one?.document, name: 'Another' } };
    const file = { ...changed, sheets: [...changed.sheets, third] };
    const looked = await put(file, {});
    expect(v.is(SheetsReportSchema, looked.body)).toBe(true);
    const told = [
      { is: 'newer', revision: 2 },
      { is: 'same', revision: 1 },
      { is: 'new', revision: 1 },
    ];
    expect(looked.body).toMatchObject({ sheets: told, taken: false });
    expect(await exported(first, second)).toEqual(before);
    expect((await put(file)).body).toMatchObject({ sheets: told, taken: true });
    // The same file again changes nothing, and the old one does not come back over the new.
    expect((await put(file)).body).toMatchObject({
      sheets: [{ is: 'same' }, { is: 'same' }, { is: 'same' }],
    });
    expect((await put(before)).body).toMatchObject({ sheets: [{ is: 'older' }, { is: 'same' }] });
    expect((await list()).find(({ id }) => id === first)?.revision).toBe(2);
  });

  it('come in all or nothing, or without those that have mistakes', async () => {
    const file = await exported(first, second);
    const [one, two] = file.sheets;
    Object.assign(one?.document ?? {}, { firing: { order: [1, 3, 3, 2] } });
    Object.assign(two?.document ?? {}, { note: 'Looked up again' });
    const refused = await put(file);
    expect(refused.status).toBe(400);
    expect(refused.body).toMatchObject({
      error: {
        issues: expect.arrayContaining([
          { path: 'sheets.0.firing.order.2', message: expect.any(String) },
        ]),
      },
    });
    expect((await list()).every(({ revision }) => revision === 1)).toBe(true);
    const rest = await put(file, { take: true, leaveOut: true });
    expect(rest.body).toMatchObject({ sheets: [{ is: 'mistaken' }, { is: 'newer' }], taken: true });
    expect((await list()).find(({ id }) => id === second)?.revision).toBe(2);
  });

  it('are refused where a photo is missing, changed, or a sheet stands twice', async () => {
    const file = await exported(first);
    const [one] = file.sheets;
    const withPhoto = (photos: object[]) => ({
      ...file,
      sheets: [{ ...one, document: { ...one?.document, photos: [{ ...photo, what: 'Marks' }] } }],
      photos,
    });
    const told = async (wrong: unknown) => {
      const { status, body } = await put(wrong);
      const { error } = body as { error?: { issues: { path: string }[] } };
      return [status, error?.issues[0]?.path];
    };
    expect(await told(withPhoto([]))).toEqual([400, 'sheets.0.photos.0']);
    const bytes = Buffer.from('other bytes').toString('base64');
    expect(await told(withPhoto([{ ...photo, base64: bytes }]))).toEqual([400, 'photos.0']);
    expect(await told({ ...file, sheets: [one, one] })).toEqual([400, 'sheets.1']);
    expect(await told({ format: SHEETS_FORMAT, sheets: [] })).toEqual([400, 'sheets']);
    expect((await told({ format: 'other' }))[0]).toBe(400);
    expect((await server.get(`/sheets/file?id=${randomUUID()}`)).status).toBe(404);
    expect((await list()).every(({ revision }) => revision === 1)).toBe(true);
  });

  it('come by themselves too, known by their name', async () => {
    const { body } = await server.get(`/sheets/${first}`);
    const { document } = body as SheetDetail;
    expect((await put(document)).body).toMatchObject({ sheets: [{ is: 'same' }] });
    const answer = await put({ ...document, note: 'Looked up again' });
    expect(answer.body).toMatchObject({ sheets: [{ is: 'newer', revision: 2 }] });
  });
});

describe('a sheet that is retired', () => {
  it('is out of the lists until it is brought back or used again', async () => {
    const used = await server.patch(`/sheets/${first}`, { retired: true });
    expect(used.status).toBe(409);
    expect(used.body).toMatchObject({ error: { issues: [{ path: 'retired' }] } });
    const { body } = await server.get(`/sheets/${first}`);
    const { document } = body as SheetDetail;
    const id = randomUUID();
    const publish = { id, document: { ...document, name: 'Nobody’s' } };
    await server.post('/sheets', publish);
    const names = async (query = '') => (await list(query)).map(({ name }) => name);
    const retire = (retired: boolean) => server.patch(`/sheets/${id}`, { retired });
    expect((await retire(true)).body).toHaveProperty('retiredAt');
    expect([await names(), await names('?retired=1')]).toEqual([
      expect.not.arrayContaining(['Nobody’s']),
      ['Nobody’s'],
    ]);
    expect((await retire(false)).body).not.toHaveProperty('retiredAt');
    await retire(true);
    await server.post('/machines', { id: randomUUID(), name: 'Skiff', sheet: id });
    expect(await names()).toContain('Nobody’s');
    expect((await server.patch(`/sheets/${id}`, { retired: 'yes' })).status).toBe(400);
    expect((await server.patch(`/sheets/${randomUUID()}`, { retired: true })).status).toBe(404);
  });
});
