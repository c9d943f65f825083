import type { JobAct, JobEvent } from '@longbar/core';
import type { TestDatabase } from '../../../test-support/demoDatabase';
import { demoDatabase } from '../../../test-support/demoDatabase';
import { NOW } from '../../../test-support/now';
import { MACHINES } from '../../demo/yard';
import { appendEvents } from '../journal/appends';
import { beginJob } from '../journal/jobs';
import { search } from './search';

const TODAY = '2026-11-23';
const at = NOW.toISOString();
const JOB = '00000000-0000-4000-8000-0000000000f1';
let made: TestDatabase;
beforeAll(async () => {
  made = await demoDatabase();
});
afterAll(() => made.end());

const find = (words: string) => search(made.db, words, TODAY);
const said = async (words: string) => (await find(words)).map(({ says }) => says);

let n = 0;
const record = (...acts: JobAct[]) => {
  const events = acts.map((act): JobEvent => {
    n += 1;
    const id = `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
    return { ...act, id, job: JOB, n, at, by: 'Ina' };
  });
  return appendEvents(made.db, JOB, events, at).then(() => events);
};

describe('what is looked for', () => {
  it('is found in the names of machines and of their engines', async () => {
    expect(await find('BRINE')).toEqual([
      {
        kind: 'machine',
        machine: MACHINES[0]!.id,
        machineName: 'Brine pump 2',
        says: 'Turnstone 640',
      },
    ]);
    expect(await find('pump house')).toMatchObject([
      { machineName: 'Brine pump 2', says: 'Turnstone 640, Pump house' },
    ]);
    expect(await find('stint')).toMatchObject([{ kind: 'machine', machineName: 'Launch' }]);
    expect(await find('rear cover bolt')).toMatchObject([
      { kind: 'words', machineName: 'Brine pump 2', job: expect.any(String) },
    ]);
  });

  it('is found in what people wrote as soon as they have, and not once it is taken back', async () => {
    const head = { id: JOB, machine: MACHINES[1]!.id, method: 'each' as const, sheetRevision: 1 };
    await beginJob(made.db, { ...head, at, by: 'Ina' });
    const [, noted] = await record(
      { type: 'why.noted', reason: 'symptom', symptom: 'Ticks when cold' },
      { type: 'opening.noted', what: 'Ground wire', from: 'lifting eye' },
      { type: 'isolation.exempted', isolation: 'battery', reason: 'no battery fitted' },
      { type: 'adjuster.unset', adjuster: 'intake.1', reason: 'seized', note: 'nut rounded' },
    );
    expect(await said('ticks when')).toEqual(['Why: a symptom, Ticks when cold']);
    expect(await said('lifting eye')).toEqual(['Noted: Ground wire, lifting eye']);
    expect(await said('nut rounded')).toHaveLength(1);
    expect((await said('no battery'))[0]).toContain('no battery fitted');
    await record({ type: 'event.undone', target: noted!.id });
    expect(await said('lifting eye')).toEqual([]);
  });

  it('takes the signs of a pattern for what they are', async () => {
    await record({ type: 'machine.noted', text: '100 % of the shims_were new' });
    expect(await said('100 %')).toHaveLength(1);
    expect(await said('shims_were')).toHaveLength(1);
    expect(await said('%%')).toEqual([]);
    expect(await said('__')).toEqual([]);
    expect(await said("o'clock")).toEqual([]);
  });

  it('is the newest first, and not without end', async () => {
    for (let i = 0; i < 45; i++) await record({ type: 'machine.noted', text: `Odd thing ${i}` });
    const found = await find('odd thing');
    expect(found).toHaveLength(40);
  });
});
