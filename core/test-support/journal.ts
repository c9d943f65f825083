import type { JobAct, JobEvent, JobHead, JobSetting } from '../src';
import { inlineSix } from './engines';

export const JOB = '00000000-0000-4000-8000-000000000001';

/** A UUID made from a number. */
export function uuid(n: number): string {
  return `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
}

/** A journal of these acts, a minute apart. */
export function journal(acts: readonly JobAct[], by = 'Ina'): JobEvent[] {
  return acts.map((act, i) => ({
    ...act,
    id: uuid(100 + i),
    job: JOB,
    n: i + 1,
    at: new Date(Date.UTC(2026, 4, 2, 8, i)).toISOString(),
    by,
  }));
}

export const head: JobHead = {
  id: JOB,
  machine: uuid(2),
  method: 'two-position',
  sheetRevision: 1,
  at: '2026-05-02T08:00:00.000Z',
  by: 'Ina',
};

export const setting: JobSetting = { head, sheet: inlineSix(), policy: 'leave-inside' };

const inside = { intake: { go: 300, noGo: 350 }, exhaust: { go: 550, noGo: 600 } } as const;

/** Reads an adjuster inside its limits, keeps it and puts the dab on. */
export function keepAsFound(adjuster: string): JobAct[] {
  const reading = {
    ...inside[adjuster.startsWith('intake') ? 'intake' : 'exhaust'],
    how: 'go-no-go' as const,
  };
  return [
    { type: 'reading.taken', adjuster, phase: 'found', reading },
    { type: 'adjuster.kept', adjuster },
    { type: 'adjuster.painted', adjuster },
  ];
}

export function readAgain(adjuster: string): JobAct {
  const reading = {
    ...inside[adjuster.startsWith('intake') ? 'intake' : 'exhaust'],
    how: 'go-no-go' as const,
  };
  return { type: 'reading.taken', adjuster, phase: 'again', reading };
}
