import { inlineSix } from '../../../test-support/engines';
import { journal, settingOn } from '../../../test-support/journal';
import type { JobAct } from '../..';
import {
  adjusterInstruction,
  adjustersIn,
  describeInstruction,
  foldJob,
  isFinished,
  recordOf,
  openWork,
  settleFirst,
} from '../..';

const sheet = inlineSix();
const at = (id: string, acts: JobAct[] = []) =>
  adjusterInstruction(settingOn(sheet), foldJob(journal(acts)), id);
const found = (adjuster: string): JobAct => ({
  type: 'reading.taken',
  adjuster,
  phase: 'found',
  reading: { go: 300, noGo: 350, how: 'go-no-go' },
});

describe('what to do at one adjuster', () => {
  it('says how a rocker is settled at the first valve of each kind only', () => {
    expect(at('intake.1')).toMatchObject({ do: 'read', settle: 'rocker' });
    expect(at('intake.2', [found('intake.1')])).not.toHaveProperty('settle');
    expect(at('exhaust.1', [found('intake.1')])).toMatchObject({ settle: 'rocker' });
    const said = { step: 'stop' as const, missing: [], ...at('intake.1') };
    expect(
      describeInstruction(said as Parameters<typeof describeInstruction>[0], new Map()),
    ).toEqual(expect.objectContaining({ detail: expect.stringContaining('push the rocker down') }));
  });

  it('keeps saying it while the blades of that valve are tried', () => {
    const state = foldJob(journal([found('intake.1')]));
    const [intake] = sheet.adjusters;
    if (!intake) throw new Error('The sheet has no intake.');
    expect(settleFirst(state, 'intake.1', intake)).toBe('rocker');
    expect(settleFirst(state, 'intake.2', intake)).toBeUndefined();
  });

  it('never leaves as found what was loosened, by whatever figures it is judged since', () => {
    const id = 'intake.1';
    const [inside, set] = (['found', 'set'] as const).map((phase): JobAct => ({
      ...{ type: 'reading.taken', adjuster: id, phase },
      reading: { go: 300, noGo: 350, how: 'go-no-go' },
    }));
    if (!inside || !set) throw new Error('There are two readings.');
    expect(at(id, [inside])).toMatchObject({ do: 'decide' });
    expect(at(id, [inside, set])).toMatchObject({ do: 'lock' });
    const events = journal([inside, set, { type: 'adjuster.kept', adjuster: id }]);
    const row = recordOf(settingOn(sheet), events);
    const [intake] = adjustersIn(row).filter((each) => each.id === id);
    expect(intake).toMatchObject({ touched: true, kept: false });
  });

  it('is finished by nothing that was taken back since another put the dab on its nut', () => {
    const id = 'intake.1';
    const read = (phase: 'found' | 'left', go: number): JobAct => ({
      ...{ type: 'reading.taken', adjuster: id, phase },
      reading: { go, noGo: go + 20, how: 'go-no-go' },
    });
    const [kept, locked, painted] = (
      ['adjuster.kept', 'adjuster.locked', 'adjuster.painted'] as const
    ).map((type): JobAct => ({ type, adjuster: id, how: 'feel' }) as JobAct);
    const acts = [read('found', 320), kept!, painted!];
    expect(at(id, acts)).toBeUndefined();
    const withoutReading = [kept!, painted!];
    expect(at(id, withoutReading)).toMatchObject({ do: 'read', phase: 'found' });
    expect(isFinished(sheet, foldJob(journal(withoutReading)), id)).toBe(false);
    const setAnew = [read('found', 100), locked!, painted!];
    expect(at(id, setAnew)).toMatchObject({ do: 'read', phase: 'left' });
    expect(at(id, [...setAnew.slice(0, 2), read('left', 320), painted!])).toBeUndefined();
    // One that has no figure is set, or it is not finished.
    const bridges = [{ kind: 'bridge', method: 'screw' } as const];
    const level = settingOn(inlineSix({ adjusters: bridges }));
    const bridge = (of: JobAct[]) =>
      adjusterInstruction(level, foldJob(journal(of)), 'bridge.1')?.do;
    const on = (act: JobAct): JobAct => ({ ...act, adjuster: 'bridge.1' }) as JobAct;
    expect([[], [on(painted!)], [on(locked!), on(painted!)]].map(bridge)).toEqual([
      'adjust',
      'adjust',
      undefined,
    ]);
    // Once its nut was set it is finished, though another phone says that all is only checked.
    const check: JobAct = { type: 'scope.chosen', checkOnly: true };
    expect([[check], [on(locked!), check]].map(bridge)).toEqual([undefined, 'mark']);
  });

  it('locks again what was read before locking after a lock that left it outside', () => {
    const id = 'intake.1';
    const read = (phase: 'found' | 'set' | 'left', go: number): JobAct => ({
      type: 'reading.taken',
      adjuster: id,
      phase,
      reading: { go, noGo: go + 20, how: 'go-no-go' },
    });
    const lock: JobAct = { type: 'adjuster.locked', adjuster: id, how: 'feel' };
    const outside = [read('found', 240), read('set', 320), lock, read('left', 250)];
    expect(at(id, outside)).toMatchObject({ do: 'adjust' });
    expect(at(id, [...outside, read('set', 340)])).toMatchObject({ do: 'lock' });
    // Its nut is loose: the job is about nothing else before it is locked.
    expect(openWork(foldJob(journal([...outside, read('set', 340)])))).toBe('reading');
    // Where all is only checked since, it is left as it reads.
    const check: JobAct = { type: 'scope.chosen', checkOnly: true };
    expect(at(id, [...outside, check])).toMatchObject({ do: 'mark' });
  });

  it.each([
    [{ kind: 'injector', measure: 'height', method: 'screw' }, 'injector'],
    [{ kind: 'injector', method: 'preload' }, 'screw'],
    [{ kind: 'brake', method: 'screw' }, 'slave'],
    [{ kind: 'intake', method: 'shim' }, 'bucket'],
  ] as const)('settles what it is: %j', (entry, settle) => {
    const spec = { low: 700, target: 800, high: 900 };
    const adjusters = [{ ...entry, spec }];
    const setting = settingOn(inlineSix({ adjusters }));
    const id = `${entry.kind}.1`;
    expect(adjusterInstruction(setting, foldJob([]), id)).toMatchObject({ do: 'read', settle });
  });
});
