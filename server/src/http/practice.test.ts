import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

const ID = '0f0f0f0f-0000-4000-8000-00000000000';
const round = (n: number, more: object = {}) => ({
  id: `${ID}${n}`,
  ...{ who: 'Orla', exercise: 'set', level: 2, score: 40 + n, at: '2026-11-24T08:00:00.000Z' },
  ...more,
});

/** Asks as another phone does. */
async function as(cookie: string, path: string, body?: object) {
  const init = body && { method: 'POST', body: JSON.stringify(body) };
  const headers = { cookie, 'content-type': 'application/json' };
  return server.fetch(path, { ...init, headers });
}

describe('practice', () => {
  it('is kept by who practised: the best of each level, however often it is sent', async () => {
    const orla = await server.pairedAs('Orla', 'technician');
    for (const each of [round(1), round(2), round(1), round(3, { score: 7 })]) {
      expect((await as(orla, '/practice', each)).status).toBe(204);
    }
    expect(await (await as(orla, '/practice')).json()).toEqual([
      {
        ...{ who: 'Orla', exercise: 'set', level: 2, best: 42, rounds: 3 },
        last: '2026-11-24T08:00:00.000Z',
      },
    ]);
  });

  it('is shown to each of their own, and to a foreman of everybody', async () => {
    const reader = await server.pairedAs('Wren', 'reader');
    expect((await as(reader, '/practice', round(4, { who: 'Wren' }))).status).toBe(204);
    const own = await (await as(reader, '/practice')).json();
    expect(own).toMatchObject([{ who: 'Wren', rounds: 1 }]);
    const { body } = await server.get('/practice');
    const people = (body as { who: string }[]).map(({ who }) => who);
    expect(new Set(people)).toEqual(new Set(['Orla', 'Wren', 'Tam', 'Ina']));
  });

  it('refuses what is no round, by the name of the field, and keeps nothing of it', async () => {
    const wrong = { exercise: 'dance', level: 4, score: 101, who: '', at: 'now', id: '7' };
    for (const [field, value] of Object.entries(wrong)) {
      const { status, body } = await server.post('/practice', round(5, { [field]: value }));
      expect(status).toBe(400);
      expect(body.error.issues[0]).toMatchObject({ path: field });
    }
    const { body } = await server.get('/practice');
    expect(
      (body as { who: string; rounds: number }[]).find(({ who }) => who === 'Orla'),
    ).toMatchObject({
      rounds: 3,
    });
  });

  it('is no part of the archive', async () => {
    const archive = await (await server.fetch('/archive')).text();
    expect(archive).not.toContain(`${ID}1`);
  });
});
