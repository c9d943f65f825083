import { journal, wholeJob } from '../../../test-support/journal';
import { foldJob, lockPairsOf, phaseTimes } from '../..';

const MINUTE = 60_000;

describe('the time each phase took', () => {
  it('gives what lies between two events to the phase of the later one', () => {
    const times = phaseTimes(foldJob(journal(wholeJob())));
    expect(times.map(({ phase }) => phase)).toEqual([
      'Why',
      'Ready',
      'Make unable to start',
      'Open up',
      'Find position',
      'Stops',
      'Once round again',
      'Close up',
      'Make able to start',
      'Run and sign',
    ]);
    const total = times.reduce((sum, { ms }) => sum + ms, 0);
    expect(total).toBe((wholeJob().length - 1) * MINUTE);
    expect(times.find(({ phase }) => phase === 'Ready')?.ms).toBe(2 * MINUTE);
  });

  it('leaves out the time somebody was called away', () => {
    const events = journal(wholeJob().slice(0, 9)).map((event, i) =>
      i < 6 ? event : { ...event, at: new Date(Date.parse(event.at) + 90 * MINUTE).toISOString() },
    );
    const times = phaseTimes(foldJob(events));
    expect(times.find(({ phase }) => phase === 'Open up')?.ms).toBe(0);
    expect(times.find(({ phase }) => phase === 'Find position')?.ms).toBe(2 * MINUTE);
  });

  it('is the same where another phone, its clock seven minutes behind, tells every other act', () => {
    const events = journal(wholeJob());
    const total = (told: typeof events) =>
      phaseTimes(foldJob(told)).reduce((sum, { ms }) => sum + ms, 0);
    const behind = events.map((event, i) =>
      i % 2 === 0
        ? event
        : { ...event, at: new Date(Date.parse(event.at) - 7 * MINUTE).toISOString() },
    );
    expect(Math.abs(total(behind) - total(events))).toBeLessThanOrEqual(MINUTE);
  });

  it('goes on where a clock that was a day ahead is put right', () => {
    const events = journal(wholeJob()).map((event, i) =>
      i > 4
        ? event
        : { ...event, at: new Date(Date.parse(event.at) + 24 * 60 * MINUTE).toISOString() },
    );
    const total = phaseTimes(foldJob(events)).reduce((sum, { ms }) => sum + ms, 0);
    expect(total).toBe((wholeJob().length - 2) * MINUTE);
  });

  it('is nothing of a job that has not begun', () => {
    expect(phaseTimes(foldJob([]))).toEqual([]);
  });
});

describe('what locking did', () => {
  const reading = (go: number) => ({ go, noGo: go + 20, how: 'go-no-go' as const });

  it('is told of each adjuster read before and after its lock, by the one who locked', () => {
    const state = foldJob(
      journal([
        { type: 'reading.taken', adjuster: 'intake.1', phase: 'set', reading: reading(340) },
        { type: 'adjuster.locked', adjuster: 'intake.1', how: 'feel' },
        { type: 'reading.taken', adjuster: 'intake.1', phase: 'left', reading: reading(320) },
        { type: 'adjuster.locked', adjuster: 'intake.2', how: 'feel' },
        { type: 'reading.taken', adjuster: 'intake.2', phase: 'left', reading: reading(320) },
      ]),
    );
    expect(lockPairsOf(state)).toEqual([{ by: 'Ina', before: 350, after: 330 }]);
  });

  it('does not count an open end, which has no middle', () => {
    const open = { go: 500, noGo: null, how: 'go-no-go' as const };
    const state = foldJob(
      journal([
        { type: 'reading.taken', adjuster: 'intake.1', phase: 'set', reading: open },
        { type: 'adjuster.locked', adjuster: 'intake.1', how: 'feel' },
        { type: 'reading.taken', adjuster: 'intake.1', phase: 'left', reading: reading(320) },
      ]),
    );
    expect(lockPairsOf(state)).toEqual([]);
  });
});
