import { randomUUID } from 'node:crypto';
import type { JobEvent } from '@longbar/core';
import type { TestDatabase } from '../../../test-support/demoDatabase';
import { demoDatabase } from '../../../test-support/demoDatabase';
import { NOW } from '../../../test-support/now';
import { MACHINES } from '../../demo/yard';
import type { RequestError } from '../../requestError';
import { appendEvents } from './appends';
import { beginJob, readEvents } from './jobs';

let made: TestDatabase;
beforeAll(async () => {
  made = await demoDatabase();
});
afterAll(() => made.end());

const AT = NOW.toISOString();

async function begun(place: number): Promise<string> {
  const id = randomUUID();
  const machine = MACHINES[place]!.id;
  await beginJob(made.db, { id, machine, method: 'each', sheetRevision: 1, at: AT, by: 'Ina' });
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

describe('phones that send at the same moment', () => {
  it('are kept in one transaction, and whoever is refused is refused alone', async () => {
    const jobs = await Promise.all([0, 1, 2, 3].map(begun));
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
    const [one, other, third] = await Promise.all([0, 1, 2].map(begun));
    const event = out(one!);
    const same = { ...out(other!), id: event.id };
    const beside = out(third!);
    expect(await told([event, same, beside])).toEqual([event.id, '409 0.id', beside.id]);
    expect(await Promise.all([one!, other!, third!].map(kept))).toEqual([[event], [], [beside]]);
  });

  it('are kept once where one of them sends the same again meanwhile', async () => {
    const [one, other] = await Promise.all([0, 1].map(begun));
    const event = out(one!);
    const beside = out(other!);
    expect(await told([event, event, beside, event])).toEqual([
      ...[event.id, event.id, beside.id, event.id],
    ]);
    expect(await Promise.all([one!, other!].map(kept))).toEqual([[event], [beside]]);
  });
});
