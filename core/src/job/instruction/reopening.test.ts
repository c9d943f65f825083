import { inlineSix } from '../../../test-support/engines';
import { journal, setting, uuid, wholeJob } from '../../../test-support/journal';
import type { JobAct, JobEvent } from '../..';
import { adjusterInstruction, foldJob, jobInstruction, jobSteps, settingOf } from '../..';

const NOW = '2026-05-02T18:00:00.000Z';
const tighter = { low: 180, target: 230, high: 280 };
const sheet = inlineSix({
  variants: [{ tag: 'A1' }, { tag: 'B7', adjusters: [{ kind: 'intake', spec: tighter }] }],
  torques: [
    {
      id: 'covers',
      name: 'Covers',
      when: 'close',
      fasteners: [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
      ],
      stages: [{ percent: 100 }],
      torque: 12,
    },
  ],
});
const another: JobAct = { type: 'tag.read', tag: 'B7' };
const covers: JobAct = {
  type: 'torque.done',
  sequence: 'covers',
  stage: 0,
  fastener: 0,
  through: 1,
};

/** A whole job by tag A1, up to and with the last act of this type. */
function jobTo(type: JobAct['type']): JobAct[] {
  const [why, ...others] = wholeJob().filter((act) => !('item' in act && act.item === 'covers'));
  const acts: JobAct[] = [why!, { type: 'tag.read', tag: 'A1' }, ...others];
  const bar = acts.findIndex((act) => act.type === 'bar.out');
  acts.splice(bar, 0, covers);
  return acts.slice(0, acts.findLastIndex((act) => act.type === type) + 1);
}
const next = (acts: readonly JobAct[]) => jobInstruction({ ...setting, sheet }, journal(acts), NOW);
const again: JobAct[] = [{ type: 'lock.hung' }, { type: 'opening.done' }];

describe('what is closed already', () => {
  it('is opened again before anything is set by another tag’s figures', () => {
    expect(next([...jobTo('round.done'), another])).toMatchObject({ do: 'adjust' });
    const acts = [...jobTo('closing.done'), another];
    expect(next(acts)).toMatchObject({ step: 'open', do: 'open', missing: [{ code: 'open' }] });
    const state = foldJob(journal(acts));
    const steps = jobSteps(settingOf({ ...setting, sheet }, state), state, NOW);
    expect(steps.find(({ id }) => id === 'stop')).toMatchObject({ closed: 'open-first' });
    expect(next([...acts, { type: 'opening.done' }])).toMatchObject({ do: 'adjust' });
  });

  it('stays closed where the other tag leaves everything inside', () => {
    const acts = jobTo('closing.done').map((act): JobAct =>
      act.type === 'tag.read' ? another : act,
    );
    expect(next([...acts, { type: 'tag.read', tag: 'A1' }])).not.toMatchObject({ do: 'open' });
  });

  it('is opened again where another phone had set, unheard of, what was left as found here', () => {
    const events = journal(jobTo('closing.done'));
    const kept = events.find((event) => event.type === 'adjuster.kept');
    if (kept?.type !== 'adjuster.kept') throw new Error('Some valve is left as found.');
    const unheard: JobEvent = {
      ...{ ...kept, id: uuid(9), by: 'Orla', knew: [] },
      ...{ type: 'adjuster.locked', how: 'feel' },
    };
    const opened: JobEvent = {
      ...{ type: 'opening.done', id: uuid(8), job: kept.job, n: events.length + 1 },
      ...{ at: kept.at, by: 'Ina' },
    };
    const job = { ...setting, sheet };
    const after = [...events, unheard];
    expect(jobInstruction(job, events, NOW)).not.toMatchObject({ do: 'open' });
    expect(jobInstruction(job, after, NOW)).toMatchObject({ do: 'open' });
    const state = foldJob([...after, opened]);
    expect(adjusterInstruction(settingOf(job, state), state, String(kept.adjuster))).toMatchObject({
      ...{ do: 'read', phase: 'left' },
    });
  });

  it('is isolated and locked again where it could start by then, and the crank found anew', () => {
    const acts = [...jobTo('run.noted'), another];
    expect(next(acts)).toMatchObject({ do: 'isolate', isolation: 'battery', step: 'unable' });
    acts.push({ type: 'isolation.done', isolation: 'battery' });
    expect(next(acts)).toMatchObject({ do: 'hang', step: 'unable' });
    acts.push(...again);
    expect(next(acts)).toMatchObject({ step: 'find' });
    expect(foldJob(journal(acts)).crank.history).toEqual([]);
  });

  it('is closed, cleared and run again after that', () => {
    const acts = [...jobTo('run.noted'), another];
    acts.push({ type: 'isolation.done', isolation: 'battery' }, ...again);
    const state = foldJob(journal(acts));
    expect(state).toMatchObject({ closing: {}, undone: {}, torqued: {} });
    expect([state.roundDone, state.barOut, state.toolsCounted, state.clear]).toEqual([
      undefined,
      undefined,
      undefined,
      {},
    ]);
    // The run before is told, and counts no more.
    expect(state.runs).toEqual([expect.objectContaining({ ran: true, before: true })]);
  });
});
