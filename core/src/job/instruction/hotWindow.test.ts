import { inlineSix } from '../../../test-support/engines';
import { journal } from '../../../test-support/journal';
import type { JobAct } from '../..';
import { foldJob, readTooCool } from '../..';
import { hotUntil } from './hotWindow';

const hot = inlineSix({ temperature: { state: 'hot', windowMinutes: 45 } });
const stated = (stopped: string): JobAct => ({ type: 'hot.stated', stopped, ran: 60 });
const read = (adjuster: string): JobAct => ({
  type: 'reading.taken',
  adjuster,
  phase: 'found',
  reading: { go: 300, noGo: 350, how: 'go-no-go' },
});

/** A journal whose events come at these minutes past ten. */
function at(...timed: [minute: number, act: JobAct][]) {
  const events = journal(timed.map(([, act]) => act));
  return foldJob(
    events.map((event, i) => ({
      ...event,
      at: new Date(Date.UTC(2026, 10, 23, 10, timed[i]![0])).toISOString(),
    })),
  );
}

describe('the time a hot engine may be read in', () => {
  const stopped = '2026-11-23T10:00:00.000Z';

  it('runs from when it was shut down, and is none for an engine set cold', () => {
    expect(hotUntil(hot, { hot: { stopped, ran: 60 } as never })).toBe(
      Date.UTC(2026, 10, 23, 10, 45),
    );
    expect(hotUntil(hot, {})).toBeUndefined();
    expect(hotUntil(inlineSix(), { hot: { stopped, ran: 60 } as never })).toBeUndefined();
  });

  it('names what was read after it, each once', () => {
    const state = at(
      [1, stated(stopped)],
      [45, read('intake.1')],
      [46, read('intake.2')],
      [50, read('intake.2')],
    );
    expect(readTooCool(hot, state)).toEqual(['intake.2']);
    expect(readTooCool(inlineSix(), state)).toEqual([]);
  });

  it('begins anew when the engine was run again', () => {
    const again = stated('2026-11-23T11:00:00.000Z');
    const state = at(
      [1, stated(stopped)],
      [50, read('intake.1')],
      [61, again],
      [100, read('intake.2')],
      [110, read('intake.3')],
    );
    expect(readTooCool(hot, state)).toEqual(['intake.1', 'intake.3']);
  });
});
