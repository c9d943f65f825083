import { AnyRow } from '../../test-support/anyRow';
import type { Company } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import type { TestServer } from '../../test-support/testServer';
import { startTestServer } from '../../test-support/testServer';
import { signedAnew } from '../../test-support/signedAnew';
import { NOW } from '../../test-support/now';
import { MACHINES } from '../demo/yard';
import { archiveLines } from '../store/exchange/archive';
import { takeFleet } from '../store/hours/fleetHours';
import { keepBlob, sha256 } from '../store/journal/blobs';
import { isDriftDue, settleDrift } from '../store/derived/drift';
import { lookAtShop } from '../store/journal/damage';
import { checkSeal } from '../store/journal/jobs';
import { lookAtFile } from '../store/sql/looks';
import type { Database } from '../store/sql/database';
import { keepCompany } from '../store/yard/companies';
import { identityOf, writeShop } from '../store/yard/shop';
import { openShop } from '../store/yard/shops';

let server: TestServer;
let north: Database;
let [home, other] = ['', ''];
beforeEach(async () => {
  server = await startTestServer();
  north = await openShop(server.db, 'North yard');
  await keepCompany(server.db, 'Skerrow', [1, 2]);
  [home, other] = [(await identityOf(server.db)).id, (await identityOf(north)).id];
});
afterEach(() => server.close());

const [PUMP, BARGE] = ['Brine pump 2', 'Barge'].map((name) =>
  MACHINES.find((machine) => machine.name === name)!,
);
const move = (machine: string, from: string, to: string) =>
  server.post('/company/moves', { machine, from, to });
const namesIn = ({ shops }: Company) =>
  Object.fromEntries(shops.map(({ name, machines }) => [name, machines.map((each) => each.name)]));

async function archiveOf(db: Database): Promise<string[]> {
  const lines: string[] = [];
  for await (const line of archiveLines(db)) lines.push(line);
  // The last is the hash of all before it.
  return lines.slice(0, -1);
}

/** A request as somebody of the other shop. */
async function fromNorth(path: string, role: 'foreman' | 'technician' = 'foreman') {
  const cookie = await server.pairedAs(`A ${randomUUID()}`, role, north);
  const answer = await server.fetch(path, { headers: { cookie } });
  const text = await answer.text();
  const isJson = answer.headers.get('content-type')?.startsWith('application/json');
  return { status: answer.status, body: isJson ? JSON.parse(text) : text };
}

describe('the shops of a company', () => {
  it('are seen side by side from the shop that it is run from, by its foremen', async () => {
    const { status, body } = await server.get('/company');
    expect([status, body.name]).toEqual([200, 'Skerrow']);
    expect(body.shops.map(({ name }: { name: string }) => name)).toEqual([
      'Skerrow Saltworks',
      'North yard',
    ]);
    const [yard, company] = [(await server.get('/machines')).body, body.shops[0]];
    expect(company.machines.map(({ id }: { id: string }) => id)).toEqual(
      yard.map(({ id }: { id: string }) => id),
    );
    const urgencies = new Set(company.machines.map((each: { urgency: string }) => each.urgency));
    expect(urgencies).toContain('overdue');
    expect((await server.get('/shop')).body.company).toBe('Skerrow');
    // Another shop of the company sees itself alone, and so does who is no foreman.
    expect((await fromNorth('/company')).status).toBe(404);
    expect((await fromNorth('/shop')).body).not.toHaveProperty('company');
    const technician = await server.pairedAs('Tea', 'technician');
    const refused = await server.fetch('/company', { headers: { cookie: technician } });
    expect(refused.status).toBe(403);
  });

  it('tell what is planned, by week', async () => {
    const { body: weeks } = await server.get('/weeks');
    await server.put(`/weeks/${BARGE!.id}`, { week: weeks.weeks[3] });
    const { body } = await server.get('/company');
    const planned: number[] = body.shops[0].planned;
    expect(planned.map((minutes) => minutes > 0)).toEqual(planned.map((_, week) => week === 3));
  });

  it('are named together once, and another company takes none of them', async () => {
    const third = await openShop(server.db, 'Third');
    await expect(keepCompany(server.db, 'Rival', [third.shop, 2])).rejects.toThrow(
      'another company',
    );
    await expect(keepCompany(server.db, 'Skerrow', [1, 9])).rejects.toThrow('no shop 9');
    await keepCompany(server.db, 'Skerrow Works', [1, third.shop]);
    const { body } = await server.get('/company');
    expect([body.name, Object.keys(namesIn(body))]).toEqual([
      'Skerrow Works',
      ['Skerrow Saltworks', 'Third'],
    ]);
    expect((await move(PUMP!.id, home, other)).body.error.issues[0].path).toBe('to');
  });
});

describe('a machine that is moved', () => {
  it('goes with its past, sealed and signed as it was, and leaves nothing behind', async () => {
    const { head, events } = signedAnew('Brine pump 2', 6700, NOW);
    await server.post('/jobs', head);
    await server.post(`/jobs/${head.id}/events`, events);
    const photo = Buffer.from('a photo');
    await keepBlob(server.db, sha256(photo), 'image/jpeg', photo, NOW.toISOString());
    await server.patch(`/machines/${PUMP!.id}`, { photo: sha256(photo) });
    const { body: before } = await server.get(`/machines/${PUMP!.id}`);
    const { secret } = (await server.post(`/jobs/${head.id}/shares`, { days: 7 })).body;
    const { status, body } = await move(PUMP!.id, home, other);
    expect(status).toBe(200);
    expect(namesIn(body)['North yard']).toEqual(['Brine pump 2']);
    expect(namesIn(body)['Skerrow Saltworks']).toHaveLength(MACHINES.length - 1);
    // Whoever still holds entries of it is told where they are taken; a stranger is told nothing.
    const told = async (path: string, sent?: unknown) => {
      const { status, body } = sent ? await server.post(path, sent) : await server.get(path);
      return [status, body.error.message];
    };
    const moved = 'was moved to North yard. Its entries are taken there only.';
    const ofJob = [404, `The machine of this job ${moved}`];
    expect(await told(`/machines/${PUMP!.id}`)).toEqual([404, `This machine ${moved}`]);
    expect(await told(`/jobs/${head.id}`)).toEqual(ofJob);
    expect(await told(`/jobs/${head.id}/events`, events.slice(0, 1))).toEqual(ofJob);
    const begun = { ...head, id: randomUUID() };
    expect(await told('/jobs', begun)).toEqual([404, `This machine ${moved}`]);
    await keepCompany(server.db, 'Skerrow', [1]);
    expect(await told(`/jobs/${head.id}`)).toEqual([404, 'There is no such job.']);
    await keepCompany(server.db, 'Skerrow', [1, 2]);
    const { body: after } = await fromNorth(`/machines/${PUMP!.id}`);
    const { lockPairs: _, ...kept } = before;
    expect(after).toMatchObject(kept);
    expect(await checkSeal(north, head.id)).toMatchObject({ holds: true });
    for (const { id } of before.history) {
      expect(await checkSeal(north, id)).toMatchObject({ holds: true });
    }
    expect((await server.fetch(`/shared/${secret}`)).status).toBe(200);
    expect((await fromNorth(`/blobs/${sha256(photo)}`)).body).toBe('a photo');
    expect([await lookAtFile(server.db), await lookAtShop(north)]).toEqual([[], []]);
    for (const [db, said] of [
      [server.db, 'Brine pump 2 to North yard'],
      [north, 'Brine pump 2 here from Skerrow Saltworks'],
    ] as const) {
      const audit = await db.rows(
        AnyRow,
        'SELECT about FROM audit WHERE shop = $shop ORDER BY serial DESC',
      );
      expect(audit[0]).toEqual({ about: said });
    }
  });

  it('is due by its drift there at once, as it was', async () => {
    await server.get('/machines');
    await settleDrift(server.db);
    const truck = MACHINES.find(({ name }) => name === 'Salt truck 3')!;
    const { body: before } = await server.get(`/machines/${truck.id}`);
    expect(before.due.by).toBe('drift');
    await move(truck.id, home, other);
    const { body: after } = await fromNorth(`/machines/${truck.id}`);
    expect([after.due, after.recheck, after.rates]).toEqual([
      before.due,
      before.recheck,
      before.rates,
    ]);
    expect(await isDriftDue(north)).toBe(false);
    // A shop that takes another risk has it worked out by that.
    const { body: shop } = await fromNorth('/shop');
    const { name, policy, bladeSets } = shop;
    const risk = { name, policy, bladeSets, driftRisk: 30 };
    await north.write((transaction) => writeShop(north, risk, transaction));
    await settleDrift(north);
    await move(truck.id, other, home);
    expect(await isDriftDue(server.db)).toBe(true);
  });

  it('and moved back, is all as it was, to the byte', async () => {
    const before = await archiveOf(server.db);
    for (const { id } of MACHINES) {
      expect((await move(id, home, other)).status).toBe(200);
    }
    const away = (await archiveOf(server.db)).filter((line) =>
      /"type":"(machine|job|event)"/.test(line),
    );
    expect(away).toEqual([]);
    for (const { id } of MACHINES) expect((await move(id, other, home)).status).toBe(200);
    expect(await archiveOf(server.db)).toEqual(before);
  });

  it('stays where a job is open at it, or where there is such a machine already', async () => {
    const { head, events } = signedAnew('Barge', 9000, NOW);
    await server.post('/jobs', head);
    await server.post(`/jobs/${head.id}/events`, events.slice(0, 5));
    const open = await move(BARGE!.id, home, other);
    expect([open.status, open.body.error.message]).toEqual([
      409,
      'A job is open at Barge. It is signed or abandoned first.',
    ]);
    expect((await server.get(`/machines/${BARGE!.id}`)).status).toBe(200);
    expect((await move(randomUUID(), home, other)).status).toBe(404);
    expect((await move(PUMP!.id, home, home)).body.error.issues[0].path).toBe('to');
    // What comes while it is being moved comes before or after, and is never left behind.
    const [moved, kept] = await Promise.all([
      move(BARGE!.id, home, other),
      server.post(`/jobs/${head.id}/events`, events.slice(5)),
    ]);
    expect([moved.status, kept.status]).toEqual([409, 200]);
    expect((await move(BARGE!.id, home, other)).status).toBe(200);
    expect((await move(BARGE!.id, home, other)).status).toBe(404);
  });

  it('leaves no reading behind unsaid: what telematics told of it waits for somebody still', async () => {
    const { id, serial = '' } = MACHINES.find((machine) => machine.serial !== undefined)!;
    const told = { serial, model: 'Plover 5', at: '2026-11-20', hours: 400_000 };
    await takeFleet(server.db, { readings: [told], unread: [] }, '2026-11-23');
    const waits = { serial, hours: 400_000 };
    expect((await server.get('/fleets')).body.waiting).toMatchObject([
      { ...waits, why: 'doubtful', machine: { id } },
    ]);
    expect((await move(id, home, other)).status).toBe(200);
    expect((await server.get('/fleets')).body.waiting).toMatchObject([
      { ...waits, why: 'unknown', machine: null },
    ]);
  });

  it('does not go by another sheet there: a sheet of that number is the same, or it stays', async () => {
    const { id, document } = PUMP!.sheet;
    const cookie = await server.pairedAs('Ola', 'foreman', north);
    const published = await server.fetch('/sheets', {
      method: 'POST',
      headers: { cookie, 'content-type': 'application/json' },
      body: JSON.stringify({ id, document: { ...document, name: 'Another' } }),
    });
    expect(published.status).toBe(201);
    const refused = await move(PUMP!.id, home, other);
    expect([refused.status, refused.body.error.issues[0].path]).toEqual([409, 'to']);
    expect((await server.get(`/machines/${PUMP!.id}`)).status).toBe(200);
    expect((await fromNorth('/machines')).body).toEqual([]);
  });
});

describe('the sheets of a company', () => {
  const { id, document } = PUMP!.sheet;
  /** A request of the other shop's foreman; answers the status and the body. */
  const asNorth = async (method: string, path: string, body?: unknown) => {
    const cookie = await server.pairedAs(`A ${randomUUID()}`, 'foreman', north);
    const answer = await server.fetch(path, {
      method,
      headers: { cookie, 'content-type': 'application/json' },
      body: body === undefined ? null : JSON.stringify(body),
    });
    return { status: answer.status, body: await answer.json() };
  };

  it('are published once, and taken by its shops in their own time', async () => {
    expect((await asNorth('POST', `/company/sheets/${id}`, {})).status).toBe(404);
    const { body: offered } = await server.put(`/company/sheets/${id}`, { offered: true });
    expect(offered).toMatchObject({ company: 'Skerrow', runFromHere: true, sheets: [{ id }] });
    const { body: seen } = await asNorth('GET', '/company/sheets');
    const line = { id, name: document.name, revision: 1, here: null };
    expect(seen).toEqual({ company: 'Skerrow', runFromHere: false, sheets: [line] });
    expect((await asNorth('POST', `/company/sheets/${id}`, {})).body.sheets[0].here).toBe(1);
    const { body: taken } = await asNorth('GET', `/sheets/${id}`);
    expect(taken.document).toEqual((await server.get(`/sheets/${id}`)).body.document);
    // A newer revision waits until it is taken, too.
    const notes = { ...document, name: `${document.name} B` };
    expect((await server.post('/sheets', { id, document: notes })).status).toBe(201);
    expect((await asNorth('GET', `/sheets/${id}`)).body.revision).toBe(1);
    expect((await asNorth('GET', '/company/sheets')).body.sheets[0]).toMatchObject({
      revision: 2,
      here: 1,
    });
    for (let again = 0; again < 2; again++) {
      expect((await asNorth('POST', `/company/sheets/${id}`, {})).status).toBe(200);
      expect((await asNorth('GET', `/sheets/${id}`)).body.revision).toBe(2);
    }
    await server.put(`/company/sheets/${id}`, { offered: false });
    expect((await asNorth('GET', '/company/sheets')).body.sheets).toEqual([]);
    expect((await asNorth('GET', `/sheets/${id}`)).status).toBe(200);
  });

  it('are the company’s to offer, and of what a shop has made itself nothing is written over', async () => {
    expect((await asNorth('PUT', `/company/sheets/${id}`, { offered: true })).status).toBe(404);
    expect((await server.put(`/company/sheets/${randomUUID()}`, { offered: true })).status).toBe(
      404,
    );
    await server.put(`/company/sheets/${id}`, { offered: true });
    expect((await server.post(`/company/sheets/${id}`, {})).status).toBe(404);
    const own = { ...document, name: 'Its own' };
    expect((await asNorth('POST', '/sheets', { id, document: own })).status).toBe(201);
    const refused = await asNorth('POST', `/company/sheets/${id}`, {});
    expect([refused.status, refused.body.error.message]).toEqual([
      409,
      `Revision 1 of ${document.name} says something else there.`,
    ]);
    expect((await asNorth('GET', `/sheets/${id}`)).body.document.name).toBe('Its own');
    const alone = await openShop(server.db, 'Alone');
    const cookie = await server.pairedAs('Solo', 'foreman', alone);
    const answer = await server.fetch('/company/sheets', { headers: { cookie } });
    expect(await answer.json()).toEqual({ company: null, runFromHere: false, sheets: [] });
  });
});
