import { randomUUID } from 'node:crypto';
import { SHOP_HEADER, ShopHereSchema } from '@longbar/core';
import * as v from 'valibot';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { SHEETS } from '../demo/yard';

let server: TestServer;
const ofItsOwn = () => {
  beforeAll(async () => {
    server = await startTestServer();
  });
  afterAll(() => server.close());
};

const shop = async () => v.parse(ShopHereSchema, (await server.get('/shop')).body);
const counted = async () => {
  const { people: _own, ...tables } = server.db.tables;
  const all = Object.values(tables) as { count(): Promise<number> }[];
  return Promise.all(all.map((table) => table.count()));
};
/** A machine as a phone sends it that speaks to the shop of this id. */
const addSpeakingTo = async (id: string) => {
  const answer = await server.fetch('/machines', {
    method: 'POST',
    headers: { 'content-type': 'application/json', [SHOP_HEADER]: id },
    body: JSON.stringify({ id: randomUUID(), name: 'Skiff', sheet: SHEETS[0]!.id }),
  });
  return answer.status;
};

describe('a lost server', () => {
  ofItsOwn();
  it('that stands again empty becomes the shop that a phone keeps, in another life; no other does', async () => {
    const lost = { id: randomUUID(), shop: { name: 'Quay', policy: 'reset-all', bladeSets: [] } };
    expect((await server.post('/shop/rebuild', lost)).status).toBe(409);
    await server.delete('/demo');
    const empty = await shop();
    expect((await server.post('/shop/rebuild', { id: 'x' })).body.error.issues[0].path).toBe('id');
    expect((await server.post('/shop/rebuild', lost)).status).toBe(200);
    const here = await shop();
    expect(here).toMatchObject({ ...lost.shop, id: lost.id, demo: false, unnamed: false });
    expect(here.generation).not.toBe(empty.generation);
    // Another phone that asks for the same changes nothing.
    expect((await server.post('/shop/rebuild', { id: lost.id })).status).toBe(200);
    expect(await shop()).toEqual(here);
    expect((await server.post('/shop/rebuild', { id: randomUUID() })).status).toBe(409);
  });
});

describe('the demo', () => {
  ofItsOwn();
  it('is a shop of its own, and goes as a whole', async () => {
    const demo = await shop();
    expect(demo).toMatchObject({ demo: true, unnamed: false });
    expect((await server.post('/demo', {})).status).toBe(409);
    expect(await addSpeakingTo(demo.id)).toBe(201);

    expect((await server.delete('/demo')).status).toBe(200);
    expect(await counted()).toEqual([0, 0, 0, 0, 0, 0, 0]);
    expect((await server.get('/machines')).body).toEqual([]);
    const own = await shop();
    expect(own).toMatchObject({ demo: false, unnamed: true });
    expect(own.id).not.toBe(demo.id);

    // A phone that still has the demo in hand changes nothing here, and is told why.
    expect(await addSpeakingTo(demo.id)).toBe(421);
    expect(await counted()).toEqual([0, 0, 0, 0, 0, 0, 0]);
  });

  it('is loaded into a shop in which nothing is yet, and into no other', async () => {
    const empty = await shop();
    expect((await server.post('/demo', {})).status).toBe(201);
    const demo = await shop();
    expect(demo.demo).toBe(true);
    expect(demo.id).not.toBe(empty.id);
    expect((await server.get('/machines')).body).toHaveLength(8);
    await server.delete('/demo');
    const named = { name: 'Own shop', policy: 'leave-inside', bladeSets: [] };
    expect((await server.put('/shop', named)).status).toBe(200);
    expect((await server.post('/demo', {})).status).toBe(409);
    const refused = await server.delete('/demo');
    expect([refused.status, refused.body.error.message]).toEqual([
      409,
      expect.stringContaining('no demo'),
    ]);
    expect((await shop()).name).toBe('Own shop');
  });
});

describe('the shop', () => {
  ofItsOwn();
  const named = { name: 'Own shop', policy: 'leave-inside', bladeSets: [] };

  it('keeps its address, units and time zone', async () => {
    const units = { length: 'thou', torque: 'lb·ft', temperature: '°F' };
    const own = { ...named, address: 'Lagoon Road 3', units, timeZone: 'Etc/GMT+1' };
    expect((await server.put('/shop', own)).body).toMatchObject(own);
    expect(await shop()).toMatchObject(own);
  });

  it.each([
    ['name', { name: ' ' }],
    ['timeZone', { timeZone: 'Lagoon/Skerrow' }],
    ['units.length', { units: { length: 'cm', torque: 'N·m', temperature: '°C' } }],
    ['address', { address: 4 }],
  ])('is refused by its %s where that is wrong', async (path, wrong) => {
    const answer = await server.put('/shop', { ...named, ...wrong });
    expect([answer.status, answer.body.error.issues[0].path]).toEqual([400, path]);
  });
});
