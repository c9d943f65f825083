import { head, journal, setting } from '../../../test-support/journal';
import type { JobAct } from '../..';
import { dueActs, foldJob, jobInstruction, mayAbandon, recordOf, recordPage } from '../..';

const NOW = '2026-05-02T09:00:00Z';
const why: JobAct = { type: 'why.noted', reason: 'interval' };
const abandoned: JobAct = { type: 'job.abandoned', reason: 'Wrong machine' };
const after = (...acts: JobAct[]) => foldJob(journal(acts));

describe('a job begun by mistake', () => {
  it('may be abandoned until something was done at the engine', () => {
    expect(mayAbandon(after(why, { type: 'hours.read', hours: 6612 }))).toBe(true);
    const done: JobAct[][] = [
      [{ type: 'isolation.done', isolation: 'battery' }],
      [{ type: 'crank.turned', how: 'barred', degrees: 90 }],
      [abandoned],
      [{ type: 'job.signed', name: 'Ina' }],
    ];
    for (const acts of done) expect(mayAbandon(after(why, ...acts))).toBe(false);
  });

  it('asks for nothing more, and its record says what became of it', () => {
    const events = journal([why, abandoned]);
    expect(head.by).toBe('Ina');
    expect(jobInstruction(setting, events, NOW)).toBeUndefined();
    expect(dueActs(setting, foldJob(events))).toEqual([]);
    expect(recordPage(recordOf(setting, events)).signature).toMatch(
      /^Abandoned by Ina, .*, and not counted: Wrong machine$/,
    );
  });

  it('goes on where the abandoning is undone', () => {
    const events = journal([why, abandoned]);
    const undone = journal([why, abandoned, { type: 'event.undone', target: events[1]!.id }]);
    expect(jobInstruction(setting, undone, NOW)).toBeDefined();
  });
});
