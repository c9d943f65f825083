import { AnyRow } from '../../test-support/anyRow';
import { randomUUID } from 'node:crypto';
import { request } from 'node:http';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import type { AuditLine, Role } from '@longbar/core';
import { isAtLeast, ROLES } from '@longbar/core';
import { routes } from '../../test-support/routes';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { MACHINES, SHOP } from '../demo/yard';
import { readAudit } from '../store/yard/audit';
import { backUp } from '../store/sql/backup';
import { openDatabase } from '../store/sql/database';
import { beginPairing } from '../store/yard/pairing';
import { changePerson, listPeople } from '../store/yard/people';
import { restore } from '../store/sql/restore';
import { RULES, ruleOf } from './rules';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.close());

type Asked = { cookie?: string | undefined; body?: unknown };

async function ask(method: string, path: string, { cookie, body = {} }: Asked = {}) {
  const json = path.startsWith('/archive') ? 'application/x-ndjson' : 'application/json';
  const answer = await fetch(`${server.url}${path}`, {
    method,
    headers: { 'content-type': json, ...(cookie !== undefined && { cookie }) },
    ...(method !== 'GET' && { body: JSON.stringify(body) }),
  });
  const stream = answer.headers.get('content-type')?.startsWith('text/event-stream');
  const text = stream ? '' : await answer.text();
  if (stream) await answer.body?.cancel();
  const isJson = answer.headers.get('content-type')?.startsWith('application/json');
  return { status: answer.status, body: isJson ? JSON.parse(text) : text, headers: answer.headers };
}

/** The cookie that an answer gives. */
const given = ({ headers }: { headers: Headers }) =>
  (headers.get('set-cookie') ?? '').split(';')[0] ?? '';

/** A link for somebody, made by the foreman. */
async function link(whose: object): Promise<string> {
  const { status, body } = await server.post('/people/pairings', whose);
  expect(status).toBe(201);
  return body.code;
}

const person = async (name: string) =>
  (await listPeople(server.db)).find((each) => each.name === name)!;

const isRole = (rule: string): rule is Role => (ROLES as readonly string[]).includes(rule);

describe('every route asks', () => {
  const filled = (path: string) =>
    path
      .replace(':sha256', 'a'.repeat(64))
      .replace(':revision', '1')
      .replace(/:\w+/g, () => randomUUID());
  const rules: Readonly<Record<string, string>> = RULES;
  const found = routes().map((route) => ({ ...route, line: `${route.method} ${route.path}` }));

  it('has a rule for each, and no rule for what there is not', () => {
    expect(found.map(({ line }) => line).sort()).toEqual(Object.keys(RULES).sort());
    for (const { method, path, line } of found) {
      expect([line, ruleOf(method, filled(path))]).toEqual([line, rules[line]]);
      expect(ruleOf(method, `${filled(path)}/`)).toBe(rules[line]);
    }
    expect(ruleOf('HEAD', '/machines')).toBe('reader');
    expect(ruleOf('POST', '/machines/x/y/z')).toBeUndefined();
  });

  it('lets in who may: nobody unpaired, nobody revoked, each role to what is its own', async () => {
    const as = async (role: Role) => await server.pairedAs(`A ${role}`, role);
    const cookies = {
      reader: await as('reader'),
      helper: await as('helper'),
      technician: await as('technician'),
    };
    const revoked = await server.pairedAs('Runa', 'foreman');
    const runa = await person('Runa');
    await server.delete(`/people/phones/${runa.phones[0]!.id}`);
    const who: [string, string | undefined, (rule: string) => number | undefined][] = [
      ['unpaired', undefined, (rule) => (rule === 'open' ? undefined : 401)],
      ['revoked', revoked, (rule) => (rule === 'open' ? undefined : 401)],
      ...(['reader', 'helper', 'technician'] as const).map((role): (typeof who)[number] => [
        role,
        cookies[role],
        (rule) => (isRole(rule) && !isAtLeast(role, rule) ? 403 : undefined),
      ]),
      ['foreman', server.cookie, () => undefined],
    ];
    for (const [name, cookie, refusal] of who) {
      for (const { method, path, line } of found) {
        // Who leaves is asked nothing more: that comes last.
        if (line === 'DELETE /me' && !['unpaired', 'revoked'].includes(name)) continue;
        const { status } = await ask(method, filled(path), { cookie });
        const wanted = refusal(rules[line]!);
        if (wanted !== undefined) expect([name, line, status]).toEqual([name, line, wanted]);
        // The door of the demo says itself who it is for.
        else if (line !== 'POST /demo/enter') {
          expect([name, line, [401, 403].includes(status)]).toEqual([name, line, false]);
        }
      }
    }
    for (const cookie of Object.values(cookies)) {
      expect((await ask('DELETE', '/me', { cookie })).status).toBe(204);
      expect((await ask('GET', '/me', { cookie })).status).toBe(401);
    }
  });

  it('tells nobody unpaired what there is and what not', async () => {
    expect((await ask('GET', '/nothing')).status).toBe(401);
    expect((await ask('GET', '/nothing', { cookie: server.cookie })).status).toBe(404);
    const { body, headers } = await ask('GET', '/health');
    expect(headers.get('content-security-policy')).toContain("script-src 'self';");
    expect(Object.keys(body).sort()).toEqual(['demo', 'ok', 'run']);
  });
});

describe('a pairing link', () => {
  it('pairs one phone, once, with a token that only the phone holds', async () => {
    const code = await link({ name: 'Tove', role: 'technician' });
    const paired = await ask('POST', '/pair', { body: { code } });
    expect([paired.status, paired.body.name, paired.body.role]).toEqual([
      201,
      'Tove',
      'technician',
    ]);
    const set = paired.headers.get('set-cookie') ?? '';
    for (const part of ['HttpOnly', 'SameSite=Strict', 'Path=/']) expect(set).toContain(part);
    const token = given(paired).split('=')[1]!;
    expect((await ask('GET', '/me', { cookie: given(paired) })).body.name).toBe('Tove');
    const rows = await server.db.whole.rows(AnyRow, 'SELECT * FROM phones, pairings');
    const kept = JSON.stringify(rows);
    expect(kept).not.toContain(token);
    expect(kept).not.toContain(code);
    expect((await ask('POST', '/pair', { body: { code } })).status).toBe(410);
  });

  it('that has run out or was guessed pairs nothing, and guessing is slowed down', async () => {
    const early = new Date(Date.now() - 16 * 60_000);
    const { code } = await beginPairing(server.db, { name: 'Tove', role: 'technician' }, early);
    expect((await ask('POST', '/pair', { body: { code } })).status).toBe(410);
    const statuses: number[] = [];
    for (let i = 0; i < 40; i++) {
      const guess = Buffer.from(randomUUID()).toString('base64url').slice(0, 22);
      statuses.push((await ask('POST', '/pair', { body: { code: guess } })).status);
    }
    expect(new Set(statuses)).toEqual(new Set([410, 429]));
    expect((await ask('POST', '/pair', { body: { code: 'x' } })).status).toBe(429);
  });

  it('of the server’s own machine makes a foreman, who says who it is', async () => {
    const { code } = await beginPairing(server.db, 'foreman', new Date());
    expect((await ask('POST', '/pair', { body: { code } })).status).toBe(400);
    const first = await ask('POST', '/pair', { body: { code, name: 'Runa' } });
    expect([first.status, first.body.role]).toEqual([201, 'foreman']);
    // Who is known already gets another phone.
    const again = await beginPairing(server.db, 'foreman', new Date());
    const body = { code: again.code, name: 'runa' };
    expect((await ask('POST', '/pair', { body })).body.id).toBe(first.body.id);
  });
});

describe('a helper', () => {
  const job = randomUUID();
  const event = (act: object) => ({
    id: randomUUID(),
    job,
    n: 1,
    at: '2026-11-23T08:01:00.000Z',
    by: 'Odd',
    ...act,
  });
  beforeEach(async () => {
    const head = { id: job, machine: MACHINES[1]!.id, method: 'each', sheetRevision: 1, by: 'Ina' };
    await server.post('/jobs', { ...head, at: '2026-11-23T08:00:00.000Z' });
  });

  it('joins by a code of the job, says who it is, and becomes nobody else', async () => {
    const tove = await server.pairedAs('Tove', 'technician');
    const shown = await ask('POST', `/jobs/${job}/helpers`, { cookie: tove });
    expect(shown.status).toBe(201);
    const { code } = shown.body;
    expect((await ask('POST', '/pair', { body: { code } })).body.error.issues[0].path).toBe('name');
    const asTove = await ask('POST', '/pair', { body: { code, name: 'tove' } });
    expect([asTove.status, asTove.body.error.issues[0].path]).toEqual([400, 'name']);
    const odd = await ask('POST', '/pair', { body: { code, name: 'Odd' } });
    expect([odd.status, odd.body.role]).toEqual([201, 'helper']);
    expect((await ask('POST', `/jobs/${randomUUID()}/helpers`, { cookie: tove })).status).toBe(404);
    // Who helped before is the same again.
    const again = await ask('POST', `/jobs/${job}/helpers`, { cookie: tove });
    const paired = await ask('POST', '/pair', { body: { code: again.body.code, name: 'Odd' } });
    expect(paired.body.id).toBe(odd.body.id);
    expect((await ask('POST', `/jobs/${job}/helpers`, { cookie: given(odd) })).status).toBe(403);
  });

  it('writes down their own lock, and nothing else', async () => {
    const cookie = await server.pairedAs('Odd', 'helper');
    const say = async (...acts: object[]) =>
      (await ask('POST', `/jobs/${job}/events`, { cookie, body: acts.map(event) })).status;
    expect(await say({ type: 'lock.hung' })).toBe(200);
    expect(await say({ type: 'clear.said', person: 'Odd' })).toBe(200);
    for (const act of [
      { type: 'clear.said', person: 'Ina' },
      { type: 'isolation.undone', isolation: 'fuel' },
      { type: 'hours.read', hours: 1 },
      { type: 'rules.kept', policy: 'reset-all' },
      { type: 'plan.made', method: 'each', stops: [], unserved: [] },
      { type: 'event.undone', target: randomUUID() },
    ]) {
      expect([act.type, await say({ type: 'lock.hung' }, act)]).toEqual([act.type, 403]);
    }
  });
});

describe('people', () => {
  it('are of one name each, change their role, and leave with their phones let go', async () => {
    const cookie = await server.pairedAs('Tove', 'technician');
    const { id } = await person('Tove');
    const twice = await server.post('/people/pairings', { name: 'tove', role: 'foreman' });
    expect([twice.status, twice.body.error.issues[0].path]).toEqual([400, 'name']);
    expect((await ask('DELETE', `/machines/${randomUUID()}`, { cookie })).status).toBe(403);
    await server.patch(`/people/${id}`, { role: 'foreman' });
    expect((await ask('DELETE', `/machines/${randomUUID()}`, { cookie })).status).toBe(404);
    expect((await server.patch(`/people/${id}`, { retired: true })).status).toBe(200);
    expect((await ask('GET', '/me', { cookie })).status).toBe(401);
    expect(await person('Tove')).toMatchObject({ retired: true, phones: [] });
    const late = await server.post('/people/pairings', { person: id });
    expect(late.status).toBe(409);
    await server.pairedAs('Tove', 'technician');
    expect((await server.patch(`/people/${id}`, { retired: false })).status).toBe(400);
  });

  it('always have a foreman among them', async () => {
    await changePerson(server.db, (await person('Ina')).id, { retired: true }, new Date());
    const { id } = await person('Vera');
    for (const patch of [{ role: 'technician' }, { retired: true }]) {
      expect((await server.patch(`/people/${id}`, patch)).status).toBe(409);
    }
    expect((await server.get('/me')).body).toMatchObject({ name: 'Vera', role: 'foreman' });
  });

  it('of one person with one phone, nobody is told of others', async () => {
    const empty = await startTestServer({ empty: true });
    try {
      expect((await empty.get('/me')).body.alone).toBe(true);
      await empty.pairedAs('Tove', 'technician');
      expect((await empty.get('/me')).body.alone).toBe(false);
    } finally {
      await empty.close();
    }
  });
});

describe('what was done', () => {
  it('is noted with who did it, for foremen: phones, people, sheets, rules, archives, refusals', async () => {
    const code = await link({ name: 'Tove', role: 'technician' });
    await ask('POST', '/pair', { body: { code } });
    await ask('POST', '/pair', { body: { code } });
    const tove = await person('Tove');
    await server.patch(`/people/${tove.id}`, { role: 'foreman', name: 'Tora' });
    await server.delete(`/people/phones/${tove.phones[0]!.id}`);
    const { id, document } = MACHINES[0]!.sheet;
    const published = { id, document: { ...document, name: 'Avocet, mended' } };
    expect((await server.post('/sheets', published)).status).toBe(201);
    // The same again publishes nothing.
    await server.post('/sheets', published);
    await server.put('/shop', { ...SHOP, bladeSets: [] });
    await server.get('/archive');
    const { body } = await server.get('/audit');
    const lines = body.map(({ what, who, about }: AuditLine) => [what, who, about]).reverse();
    expect(lines).toEqual([
      ['code-shown', 'Vera', 'Tove'],
      ['phone-paired', 'Tove', ''],
      ['pairing-refused', null, expect.stringContaining('127.0.0.1')],
      ['person-changed', 'Vera', 'Tove: now called Tora, now a foreman'],
      ['phone-let-go', 'Vera', 'Tora'],
      ['sheet-published', 'Vera', 'Avocet, mended, revision 2'],
      ['rules-changed', 'Vera', ''],
      ['archive-saved', 'Vera', ''],
    ]);
  });

  it('keeps a restored backup among it', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'longbar-audit-'));
    try {
      const plan = { folder, keep: 1, everyHours: 24 };
      const file = await backUp(server.db, plan, new Date());
      const target = join(folder, 'other');
      await restore(file, target, new Date());
      const db = await openDatabase(target);
      const [line] = await readAudit(db);
      await db.close();
      expect(line).toMatchObject({ what: 'backup-restored', who: null, about: basename(file) });
    } finally {
      rmSync(folder, { recursive: true });
    }
  });
});

describe('a phone that is revoked', () => {
  it('hears no more of a job that it followed', async () => {
    const cookie = await server.pairedAs('Tove', 'technician');
    const job = randomUUID();
    const head = { id: job, machine: MACHINES[1]!.id, method: 'each', sheetRevision: 1, by: 'Ina' };
    await server.post('/jobs', { ...head, at: '2026-11-23T08:00:00.000Z' });
    const stream = await fetch(`${server.url}/jobs/${job}/stream`, { headers: { cookie } });
    const reader = stream.body!.getReader();
    await reader.read();
    const [phone] = (await person('Tove')).phones;
    await server.delete(`/people/phones/${phone!.id}`);
    const note = { type: 'machine.noted', text: 'Odd bolt' };
    const event = { ...note, id: randomUUID(), job, n: 1, at: '2026-11-23T08:01:00.000Z', by: 'I' };
    expect((await server.post(`/jobs/${job}/events`, [event])).status).toBe(200);
    let heard = '';
    await expect(
      (async () => {
        for (;;) {
          const { done, value } = await reader.read();
          if (done) throw new Error('ended');
          heard += Buffer.from(value).toString();
        }
      })(),
    ).rejects.toThrow();
    expect(heard).not.toContain('Odd bolt');
    expect((await server.delete(`/people/phones/${phone!.id}`)).status).toBe(404);
  });
});

describe('the calendar', () => {
  it('is read by its secret address until that is renewed', async () => {
    const { key } = (await server.get('/calendar')).body;
    expect((await ask('GET', `/due.ics?key=${key}`)).body).toContain('BEGIN:VCALENDAR');
    expect((await ask('GET', '/due.ics')).status).toBe(401);
    expect((await ask('GET', '/due.ics?key=x')).status).toBe(401);
    const { body } = await server.post('/calendar', {});
    expect((await ask('GET', `/due.ics?key=${key}`)).status).toBe(401);
    expect((await ask('GET', `/due.ics?key=${body.key}`)).status).toBe(200);
  });
});

describe('the door of the demo', () => {
  it('lets in as its foreman or technician, and is there in the demo only', async () => {
    const enter = (as: Role) => ask('POST', '/demo/enter', { body: { as } });
    const technician = await enter('technician');
    expect([technician.status, technician.body.name]).toEqual([201, 'Tam']);
    const foreman = await enter('foreman');
    expect([foreman.body.name, foreman.body.role]).toEqual(['Ina', 'foreman']);
    expect((await ask('GET', '/health')).body.demo).toBe(true);
    // Passed on from elsewhere, by a program on this machine.
    const elsewhere = await new Promise<number | undefined>((resolve, reject) => {
      const headers = { host: '192.168.4.20', 'content-type': 'application/json' };
      const sent = request(`${server.url}/demo/enter`, { method: 'POST', headers }, (answer) => {
        answer.resume();
        resolve(answer.statusCode);
      });
      sent.on('error', reject).end(JSON.stringify({ as: 'foreman' }));
    });
    expect(elsewhere).toBe(403);
    // Who removes the demo stays, as the foreman of a shop that has none of its own.
    const { id } = await person('Vera');
    await changePerson(server.db, id, { retired: true }, new Date());
    const cookie = given(foreman);
    expect((await ask('DELETE', '/demo', { cookie })).status).toBe(200);
    expect((await ask('GET', '/me', { cookie })).body.name).toBe('Ina');
    expect((await ask('GET', '/me', { cookie: given(technician) })).status).toBe(401);
    expect((await enter('foreman')).status).toBe(403);
    expect((await ask('GET', '/health')).body.demo).toBe(false);
  });

  it('is no way into a shop that has a foreman of its own, whatever their name', async () => {
    const own = await startTestServer({ empty: true });
    try {
      const ina = await own.pairedAs('Ina', 'foreman');
      await own.post('/demo', {});
      const enter = await fetch(`${own.url}/demo/enter`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ as: 'foreman' }),
      });
      expect((await enter.json()).name).toBe('Ina of the demo');
      const cookie = given(enter);
      const me = async (asked: string) =>
        (await fetch(`${own.url}/me`, { headers: { cookie: asked } })).status;
      expect(await me(cookie)).toBe(200);
      const headers = { cookie, 'content-type': 'application/json' };
      expect((await fetch(`${own.url}/demo`, { method: 'DELETE', headers })).status).toBe(200);
      expect([await me(cookie), await me(ina)]).toEqual([401, 200]);
    } finally {
      await own.close();
    }
  });
});
