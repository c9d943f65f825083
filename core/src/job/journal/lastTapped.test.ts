import type { JobEvent, JobState } from '../..';
import { foldJob, lastTapped } from '../..';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const event = (n: number, by: string, act: object): JobEvent =>
  ({ ...act, id: uuid(n), job: uuid(99), n, at: '2026-05-02T08:00:00.000Z', by }) as JobEvent;
const journal = [
  event(1, 'Ina', { type: 'isolation.done', isolation: 'battery' }),
  event(2, 'Orla', { type: 'isolation.done', isolation: 'fuel' }),
  event(3, 'Ina', { type: 'work.paused', minutes: 12 }),
];

const tapped = (state: JobState, by: string) => lastTapped(state, by).map(({ n }) => n);

describe('what one tap takes back', () => {
  it('is the last act of one’s own, not of another and not of the phone', () => {
    const state = foldJob(journal);
    expect(tapped(state, 'Ina')).toEqual([1]);
    expect(tapped(state, 'Orla')).toEqual([2]);
    expect(tapped(state, 'Per')).toEqual([]);
  });

  it('is all that one’s last tap wrote down, the last first', () => {
    const later = '2026-05-02T08:01:00.000Z';
    const seen = (n: number, id: string, by = 'Ina') => ({
      ...event(n, by, { type: 'crank.observed', observation: { id, state: 'loose' } }),
      at: later,
    });
    const felt = [seen(4, 'intake.1'), seen(5, 'exhaust.1'), seen(6, 'intake.2', 'Orla')];
    expect(tapped(foldJob([...journal, ...felt]), 'Ina')).toEqual([5, 4]);
  });

  it('is no plan of shims once another has begun to fit them', () => {
    const plan = event(4, 'Ina', { type: 'shims.planned', rows: [], buy: [], outside: [] });
    const fitted = event(5, 'Orla', { type: 'shim.fitted', adjuster: 'intake.1', size: null });
    expect(tapped(foldJob([...journal, plan]), 'Ina')[0]).toBe(4);
    expect(tapped(foldJob([...journal, plan, fitted]), 'Ina')).toEqual([]);
    expect(tapped(foldJob([...journal, plan, fitted]), 'Orla')).toContain(5);
  });

  it('is nothing once the job is signed', () => {
    const signed = [...journal, event(4, 'Ina', { type: 'job.signed', name: 'Ina' })];
    expect(tapped(foldJob(signed), 'Ina')).toEqual([]);
  });
});
