import { AnyRow } from '../../test-support/anyRow';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { times } from '../../test-support/times';
import { tryPin } from '../store/yard/pins';

let server: TestServer;
let toves: string;
beforeEach(async () => {
  server = await startTestServer({ empty: true });
  toves = await server.pairedAs('Tove', 'technician');
  expect((await asTove('PUT', '/me/pin', { pin: '271828' })).status).toBe(204);
});
afterEach(() => server.close());

const asTove = (method: string, path: string, body: object) =>
  server.fetch(path, {
    method,
    headers: { 'content-type': 'application/json', cookie: toves },
    body: JSON.stringify(body),
  });
const guess = async (pin: string) =>
  (await server.post('/people/pin', { name: 'tove', pin })).status;

describe('a PIN', () => {
  it('is asked for before a name is used, is right or wrong, and lies nowhere', async () => {
    expect((await server.get('/people/names')).body).toEqual([
      { name: 'Tove', pin: true },
      { name: 'Vera', pin: false },
    ]);
    expect(await guess('271828')).toBe(204);
    expect(await guess('271829')).toBe(400);
    expect(await guess('27')).toBe(400);
    expect((await server.post('/people/pin', { name: 'Vera', pin: '1234' })).status).toBe(400);
    expect((await asTove('PUT', '/me/pin', { pin: '12' })).status).toBe(400);
    expect(
      JSON.stringify(await server.db.whole.rows(AnyRow, 'SELECT * FROM people')),
    ).not.toContain('271828');
    const { body: audit } = await server.get('/audit');
    expect(audit.map(({ what }: { what: string }) => what)).toEqual(['pin-wrong', 'pin-set']);
    expect(JSON.stringify(audit)).not.toContain('2718');
  });

  it('is not found by guessing: of however many at once, five are looked at', async () => {
    const many = times(300, 10_000);
    const guesses = Array.from({ length: many }, (_, i) => String(271000 + i));
    const statuses: number[] = [];
    while (guesses.length > 0) {
      statuses.push(...(await Promise.all(guesses.splice(0, 50).map(guess))));
    }
    expect(statuses.filter((status) => status === 400)).toHaveLength(5);
    expect(statuses.filter((status) => status === 429)).toHaveLength(many - 5);
    // The right one waits too, on every phone, and works again later.
    expect(await guess('271828')).toBe(429);
    const later = new Date(Date.now() + 16 * 60_000);
    await expect(tryPin(server.db, 'Tove', '271828', later)).resolves.toBeUndefined();
    // One that worked makes the wrong ones before it good.
    for (let i = 0; i < 12; i++) expect(await guess(i % 3 ? '1111' : '271828')).not.toBe(429);
  });

  it('that is spoiled in the database is wrong, and no fault', async () => {
    await server.db.write((transaction) =>
      server.db.whole.run(`UPDATE people SET pin = 'x' WHERE name = $1`, ['Tove'], transaction),
    );
    expect(await guess('271828')).toBe(400);
  });

  it('that was forgotten is taken away by a foreman, who can set none', async () => {
    const { body: people } = await server.get('/people');
    const { id, pin } = people.find(({ name }: { name: string }) => name === 'Tove');
    expect(pin).toBe(true);
    expect((await server.patch(`/people/${id}`, { pin: '1234' })).status).toBe(400);
    expect((await server.patch(`/people/${id}`, { pin: null })).status).toBe(200);
    expect(await guess('271828')).toBe(400);
    expect((await server.get('/people/names')).body[0]).toEqual({ name: 'Tove', pin: false });
  });
});
