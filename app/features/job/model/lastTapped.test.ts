import { foldJob } from '@longbar/core';
import type { JobEvent } from '@longbar/core';
import { lastTapped } from './lastTapped';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const event = (n: number, by: string, act: object): JobEvent =>
  ({ ...act, id: uuid(n), job: uuid(99), n, at: '2026-05-02T08:00:00.000Z', by }) as JobEvent;
const journal = [
  event(1, 'Ina', { type: 'isolation.done', isolation: 'battery' }),
  event(2, 'Orla', { type: 'isolation.done', isolation: 'fuel' }),
  event(3, 'Ina', { type: 'work.paused', minutes: 12 }),
];

describe('what one tap takes back', () => {
  it('is the last act of one’s own, not of another and not of the phone', () => {
    const state = foldJob(journal);
    expect(lastTapped(state, 'Ina')?.n).toBe(1);
    expect(lastTapped(state, 'Orla')?.n).toBe(2);
    expect(lastTapped(state, 'Per')).toBeUndefined();
  });

  it('is nothing once the job is signed', () => {
    const signed = [...journal, event(4, 'Ina', { type: 'job.signed', name: 'Ina' })];
    expect(lastTapped(foldJob(signed), 'Ina')).toBeUndefined();
  });
});
