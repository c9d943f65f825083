import { createHash } from 'node:crypto';
import { AuditSchema, MachineLinesSchema, PeopleSchema, ShopHereSchema } from '@longbar/core';
import * as v from 'valibot';
import { spoil } from '../../../test-support/spoil';
import { startTestServer } from '../../../test-support/testServer';
import { MACHINES } from '../../demo/yard';

const BODY = Buffer.from('a photo');
const HASH = createHash('sha256').update(BODY).digest('hex');

/** One thing put wrong in each table; `$1` is the machine that it belongs to. */
const POISON: [string, string][] = [
  ['hours that are no number', `UPDATE hours_readings SET hours = 'many' WHERE machine = $1`],
  ['hours of no day', `UPDATE hours_readings SET date = 'never' WHERE machine = $1`],
  ['a correction that is cut off', `UPDATE hours_readings SET was = '[1' WHERE machine = $1`],
  ['a job of no time', `UPDATE jobs SET at = 'never' WHERE machine = $1`],
  ['a job by no method', `UPDATE jobs SET method = 'by ear' WHERE machine = $1`],
  ['a job of another revision', `UPDATE jobs SET sheetRevision = 99 WHERE machine = $1`],
  ['the shop’s blades', `UPDATE shops SET bladeSets = '[{' WHERE $1 = $1`],
  ['the shop’s rules', `UPDATE shops SET policy = 'guess', soon = '7' WHERE $1 = $1`],
  ['the shop’s units', `UPDATE shops SET units = '{"length":"ell"}', shims = '[]' WHERE $1 = $1`],
  ['a photo of no kind', `UPDATE blobs SET type = 'x' WHERE $1 = $1`],
  ['a person of no role', `UPDATE people SET role = 'king' WHERE name = 'Tam' AND $1 = $1`],
  ['a key of no names', `UPDATE keys SET names = '[' WHERE $1 = $1`],
  ['a signature of no words', `UPDATE signatures SET words = '{' WHERE $1 = $1`],
  ['a PIN that is no hash', `UPDATE people SET pin = 'x', pinWaits = 'never' WHERE $1 = $1`],
  ['what was noted', `INSERT INTO audit (shop, at, what, about) SELECT 1, 'never', 'sung', $1`],
];

/** Some at a time, each at a machine of its own: alone or beside others, none stops anything else. */
const AT_ONCE = 5;
const portions = Array.from({ length: POISON.length / AT_ONCE }, (_, i) =>
  POISON.slice(i * AT_ONCE, (i + 1) * AT_ONCE),
).map((portion) => [portion.map(([what]) => what).join(', '), portion] as const);

it.each(portions)('%s stop nothing else', async (_, portion) => {
  const server = await startTestServer();
  try {
    await server.fetch(`/blobs/${HASH}`, {
      method: 'PUT',
      headers: { 'content-type': 'image/jpeg' },
      body: new Uint8Array(BODY),
    });
    const checked = MACHINES.filter(({ jobs }) => jobs.length > 0);
    const spoiled = new Set<string>();
    for (const [i, [, sql]] of portion.entries()) {
      const { id } = checked[i]!;
      await spoil(server.db, sql, id);
      if (sql.includes('machine =')) spoiled.add(id);
    }
    const yard = await server.get('/machines');
    expect([yard.status, v.is(MachineLinesSchema, yard.body)]).toEqual([200, true]);
    expect(yard.body.length).toBeGreaterThanOrEqual(MACHINES.length - spoiled.size);
    const shop = await server.get('/shop');
    expect([shop.status, v.is(ShopHereSchema, shop.body)]).toEqual([200, true]);
    const paths = [
      '/sheets',
      '/due.ics',
      '/readings.csv',
      '/search?q=brine',
      '/people',
      '/audit',
      '/archive',
    ];
    for (const path of [...paths, ...MACHINES.map(({ id }) => `/machines/${id}`)]) {
      const { status } = await server.get(path);
      const isOwn = spoiled.has(path.split('/').at(-1) ?? '');
      expect([path, isOwn ? 200 : status]).toEqual([path, 200]);
      expect(status).toBeLessThan(500);
    }
    for (const { id } of (await server.get('/machines')).body) {
      const { body: page } = await server.get(`/machines/${id}`);
      const [past] = page.history ?? [];
      if (!past || spoiled.has(id)) continue;
      expect((await server.get(`/jobs/${past.id}/seal`)).body).toMatchObject({ holds: true });
      expect((await server.fetch(`/jobs/${past.id}/record-file`)).status).toBe(200);
    }
    expect(v.is(PeopleSchema, (await server.get('/people')).body)).toBe(true);
    expect(v.is(AuditSchema, (await server.get('/audit')).body)).toBe(true);
    expect((await server.fetch(`/blobs/${HASH}`)).status).toBeLessThan(500);
  } finally {
    await server.close();
  }
});
