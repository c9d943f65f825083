import type { EngineSheet, JobAct, JobEvent, JobHead } from '@longbar/core';
import { simulateJob } from '@longbar/core';
import type { TestServer } from './server';

/** An engine with a data tag, shims, a preload, screws, and an adjuster without a figure. */
export const sheet: EngineSheet = {
  format: 'longbar.sheet/1',
  name: 'Avocet 4',
  cycle: 4,
  firing: { order: [1, 3, 4, 2] },
  rotation: { seenFrom: 'front', sense: 'clockwise', reversible: false },
  lobes: {
    intake: { opens: 345, closes: 575 },
    exhaust: { opens: 130, closes: 375 },
    injector: { opens: 650, closes: 1020 },
  },
  adjusters: [
    { kind: 'intake', spec: { low: 250, target: 300, high: 350 }, method: 'shim' },
    {
      kind: 'exhaust',
      spec: { low: 450, target: 500, high: 550 },
      method: 'screw',
      locknut: { torque: 46 },
    },
    {
      kind: 'injector',
      setAt: 'base',
      spec: { low: 600, target: 800, high: 1000 },
      method: 'preload',
      measure: 'preload',
    },
    { kind: 'brake', setAt: { peak: 'intake' } },
  ],
  marks: [{ name: 'I', at: 0 }],
  temperature: { state: 'cold', soakMinutes: 240 },
  variants: [
    { tag: 'B7', adjusters: [{ kind: 'exhaust', spec: { low: 350, target: 400, high: 450 } }] },
  ],
};

/** A job on this engine at the first machine of the yard, begun; nothing is in its journal yet. */
export async function beginRecorded(server: TestServer, id: string): Promise<JobHead> {
  const [machine] = await (await server.fetch('/machines')).json();
  await server.keep('/sheets', { id: machine.sheet.id, document: sheet });
  const head: JobHead = {
    id,
    machine: machine.id,
    method: 'two-position',
    sheetRevision: machine.sheet.revision + 1,
    at: '2026-05-02T08:00:00.000Z',
    by: 'Ina',
  };
  await server.keep('/jobs', head);
  return head;
}

/** The journal of a job on it that only waits to be signed. */
export function unsignedJournalOf(head: JobHead): JobEvent[] {
  const whole = journalOf(head);
  return whole.slice(
    0,
    whole.findIndex(({ type }) => type === 'job.signed'),
  );
}

/**
 * The journal of a whole job on it, with a deviation, a finding that was looked into, a note, and
 * `also` what else was done before it was closed up.
 */
export function journalOf(head: JobHead, also: readonly JobAct[] = []): JobEvent[] {
  const faults = { lockShift: 0 };
  const job = { method: head.method, policy: 'reset-all' as const, start: 100, seed: 3, faults };
  const outcome = simulateJob(sheet, job);
  if ('refused' in outcome) throw new Error(outcome.says);
  const ends = outcome.events.findIndex(({ type }) => type === 'round.done');
  const more: JobAct[] = [
    {
      type: 'question.answered',
      question: 'exhaust.2 650–670 far-loose',
      answer: 'Looked, it is so',
      says: 'Far looser than its limits.',
    },
    { type: 'machine.noted', text: 'Bring a new gasket' },
    ...also,
  ];
  const events: (JobEvent | JobAct)[] = [...outcome.events];
  events.splice(ends, 0, ...more);
  events.push({ type: 'record.amended', text: 'The gasket was replaced the day after' });
  return events.map((event, i): JobEvent => ({
    id: `00000000-0000-4000-9000-9${String(i).padStart(11, '0')}`,
    at: head.at,
    by: 'Ina',
    ...event,
    ...(event.type === 'hours.read' && { sure: true }),
    job: head.id,
    n: i + 1,
  }));
}
