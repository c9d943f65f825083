import { randomUUID } from 'node:crypto';
import type { JobEvent } from '@longbar/core';
import type { TestDatabase } from '../../../test-support/demoDatabase';
import { demoDatabase } from '../../../test-support/demoDatabase';
import { NOW } from '../../../test-support/now';
import { MACHINES } from '../../demo/yard';
import type { RequestError } from '../../requestError';
import { openDatabase } from '../sql/database';
import { appendEvents } from './appends';
import { beginJob, readEvents } from './jobs';

let made: TestDatabase;
beforeAll(async () => {
  made = await demoDatabase();
});
afterAll(() => made.end());

const AT = NOW.toISOString();

async function begun(place: number, db = made.db): Promise<string> {
  const id = randomUUID();
  const machine = MACHINES[place]!.id;
  await beginJob(db, { id, machine, method: 'each', sheetRevision: 1, at: AT, by: 'Ina' });
  return id;
}

const out = (job: string): JobEvent => ({
  ...{ type: 'bar.out', id: randomUUID(), job, n: 1, at: AT, by: 'Ina' },
});
const kept = async (job: string) => (await readEvents(made.db, job, 0)).events;

/** What each phone is told, all of whom send at the same moment. */
const told = (sent: readonly JobEvent[]) =>
  Promise.all(
    sent.map((event) =>
      appendEvents(made.db, event.job, [event], AT).then(
        ([id]) => id,
        ({ status, issues }: RequestError) => [status, ...issues.map(({ path }) => path)].join(' '),
      ),
    ),
  );

describe('a database that is closed while phones send', () => {
  it('has kept what it answered, and nothing else', async () => {
    const own = await demoDatabase();
    const job = await begun(0, own.db);
    const sent = Array.from({ length: 8 }, () => out(job));
    const answers = sent.map((event) =>
      appendEvents(own.db, job, [event], AT).then(
        ([id]) => id,
        ({ message }: Error) => message,
      ),
    );
    await answers[0];
    await own.db.close();
    const said = await Promise.all(answers);
    const again = await openDatabase(own.folder, { url: own.url });
    const { events } = await readEvents(again, job, 0);
    await again.close();
    await own.end();
    const refused = said.filter((answer) => answer === 'The database is closed.');
    expect(refused.length).toBeGreaterThan(0);
    expect(events.map(({ id }) => id)).toEqual(said.slice(0, sent.length - refused.length));
  });
});

describe('phones that send at the same moment', () => {
  it('are kept in one transaction, and whoever is refused is refused alone', async () => {
    const jobs = await Promise.all([0, 1, 2, 3].map((place) => begun(place)));
    const events = jobs.map((job) => out(job));
    const [first, second, third, fourth] = events;
    const nowhere = out(randomUUID());
    const misfit = { ...third!, type: 'adjuster.kept', adjuster: 'intake.99' } as JobEvent;
    const before = made.db.whole.writes();
    expect(await told([first!, nowhere, second!, misfit, fourth!])).toEqual([
      ...[first!.id, '404', second!.id, '409 0.adjuster', fourth!.id],
    ]);
    expect(made.db.whole.writes() - before).toBe(1);
    expect(await Promise.all(jobs.map(kept))).toEqual([[first], [second], [], [fourth]]);
  });

  it('are kept where the database refuses one beside them', async () => {
    const [one, other, third] = await Promise.all([0, 1, 2].map((place) => begun(place)));
    const event = out(one!);
    const same = { ...out(other!), id: event.id };
    const beside = out(third!);
    expect(await told([event, same, beside])).toEqual([event.id, '409 0.id', beside.id]);
    expect(await Promise.all([one!, other!, third!].map(kept))).toEqual([[event], [], [beside]]);
  });

  it('are kept once where one of them sends the same again meanwhile', async () => {
    const [one, other] = await Promise.all([0, 1].map((place) => begun(place)));
    const event = out(one!);
    const beside = out(other!);
    expect(await told([event, event, beside, event])).toEqual([
      ...[event.id, event.id, beside.id, event.id],
    ]);
    expect(await Promise.all([one!, other!].map(kept))).toEqual([[event], [beside]]);
  });
});
