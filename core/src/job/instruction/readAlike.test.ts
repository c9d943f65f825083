import { journal } from '../../../test-support/journal';
import type { JobAct } from '../..';
import { foldJob, lastAlike, readByFork } from '../..';

const taken = (adjuster: string, phase: 'found' | 'left', go: number, noGo: number): JobAct => ({
  type: 'reading.taken',
  adjuster,
  phase,
  reading: { go, noGo, how: 'go-no-go' },
});
const locked = (adjuster: string): JobAct => ({ type: 'adjuster.locked', adjuster, how: 'feel' });
const after = (...acts: JobAct[]) => foldJob(journal(acts));

describe('the same as the last one', () => {
  it('takes over a reading of the same kind in the same phase only', () => {
    const state = after(
      taken('intake.1', 'found', 250, 300),
      locked('intake.1'),
      taken('intake.1', 'left', 300, 350),
      taken('exhaust.1', 'found', 500, 550),
    );
    expect(lastAlike(state, 'intake.2', 'found')?.reading).toMatchObject({ go: 250 });
    expect(lastAlike(state, 'intake.2', 'left')?.reading).toMatchObject({ go: 300 });
    expect(lastAlike(state, 'intake.2', 'again')).toBeUndefined();
    expect(lastAlike(state, 'intake.1', 'found')).toBeUndefined();
  });

  it('takes over nothing of a reading whose blades were all taken back', () => {
    const back: JobAct = { ...taken('intake.1', 'found', 0, 0), tried: [] } as JobAct;
    expect(lastAlike(after(back), 'intake.2', 'found')).toBeUndefined();
  });
});

describe('a forked blade', () => {
  const set = ['intake.1.1', 'intake.1.2', 'exhaust.1.1'].map((id) => ({ id, margin: 20 }));
  const plan = { stops: [{ at: 0, turn: 0, set, loose: [], firm: [] }] };
  const reads = (phase: 'found' | 'set' | 'left', ...acts: JobAct[]) =>
    readByFork(after(...acts), plan, 'intake.1.1', phase);

  it('reads both valves while the same is due at both', () => {
    expect(reads('found')).toEqual(['intake.1.1', 'intake.1.2']);
    expect(readByFork(after(), plan, 'exhaust.1.1', 'found')).toEqual(['exhaust.1.1']);
  });

  it('leaves a valve alone that is kept, locked or given up', () => {
    const found = taken('intake.1.2', 'found', 300, 350);
    expect(reads('found', found, { type: 'adjuster.kept', adjuster: 'intake.1.2' })).toEqual([
      'intake.1.1',
    ]);
    expect(reads('found', found, locked('intake.1.2'))).toEqual(['intake.1.1']);
    const unset: JobAct = { type: 'adjuster.unset', adjuster: 'intake.1.2', reason: 'seized' };
    expect(reads('found', unset)).toEqual(['intake.1.1']);
  });

  it('reads both after locking where both are locked', () => {
    const both = [locked('intake.1.1'), locked('intake.1.2')];
    expect(reads('left', ...both)).toEqual(['intake.1.1', 'intake.1.2']);
    expect(reads('left', locked('intake.1.1'))).toEqual(['intake.1.1']);
    expect(reads('set')).toEqual(['intake.1.1']);
  });
});
