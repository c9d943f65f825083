import { journal } from '../../../test-support/journal';
import type { KnownEvent } from './events';
import { EventLog } from './eventLog';

const events = journal([
  { type: 'why.noted', reason: 'interval' },
  { type: 'hours.read', hours: 1000 },
  { type: 'opening.done' },
  { type: 'round.done' },
]) as KnownEvent[];
const [first, second, third, fourth] = events as [KnownEvent, KnownEvent, KnownEvent, KnownEvent];

describe('a log of events', () => {
  it('holds what was added, in order, and tells the last', () => {
    const log = events.reduce((before, event) => before.with(event), EventLog.empty);
    expect([...log]).toEqual(events);
    expect(log.length).toBe(4);
    expect(log.last).toBe(fourth);
    expect(log.findLast(({ type }) => type === 'hours.read')).toBe(second);
    expect(log.findLast(({ type }) => type === 'job.signed')).toBeUndefined();
    expect(EventLog.empty.length).toBe(0);
    expect(EventLog.empty.last).toBeUndefined();
  });

  it('stays as it was, whoever goes on from it and however often', () => {
    const one = EventLog.empty.with(first);
    const left = one.with(second).with(third);
    const right = one.with(fourth);
    expect([...one]).toEqual([first]);
    expect([...left]).toEqual([first, second, third]);
    expect([...right]).toEqual([first, fourth]);
    expect([...EventLog.empty]).toEqual([]);
    expect(right.findLast(() => true)).toBe(fourth);
  });
});
