import {
  foldJob,
  hanging,
  instructionOf,
  isLastLock,
  mustHangLock,
  recordOf,
  recordPage,
} from '../..';
import { setting, wholeJob } from '../../../test-support/journal';
import type { JobAct, JobEvent } from '../..';

const ISOLATED: JobAct[] = wholeJob().slice(0, 5);
const OPEN: JobAct[] = [...ISOLATED, { type: 'lock.hung' }, { type: 'opening.done' }];
const NOW = '2026-05-02T08:30:00.000Z';

/** A journal in which each act is by the person named with it. */
function told(...acts: (JobAct | { by: string; act: JobAct })[]): JobEvent[] {
  return acts.map((each, i): JobEvent => {
    const { by, act } = 'act' in each ? each : { by: 'Ina', act: each };
    const id = `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`;
    const at = new Date(Date.parse('2026-05-02T08:00:00.000Z') + i * 1000).toISOString();
    return { ...act, id, job: setting.head.id, n: i + 1, at, by };
  });
}

const by = (person: string, act: JobAct) => ({ by: person, act });
const clear = (person: string, looked?: string): JobAct => ({
  type: 'clear.said',
  person,
  ...(looked !== undefined && { looked }),
});
const stateOf = (...acts: Parameters<typeof told>) => foldJob(told(...acts));
const names = (state: ReturnType<typeof foldJob>) => hanging(state).map(({ person }) => person);

describe('the lock of each', () => {
  it('is asked for once the engine is isolated, before it is opened', () => {
    const state = stateOf(...ISOLATED);
    expect(instructionOf(setting, state, NOW)?.do).toBe('hang');
    expect(instructionOf(setting, stateOf(...ISOLATED, { type: 'lock.hung' }), NOW)?.do).toBe(
      'open',
    );
    // One that an earlier version opened without it goes on as it is.
    const opened = stateOf(...ISOLATED, { type: 'opening.done' });
    expect(instructionOf(setting, opened, NOW, 'Ina')?.do).not.toBe('hang');
  });

  it('is asked of everyone by themselves, and of nobody twice', () => {
    const state = stateOf(...OPEN);
    expect(mustHangLock(setting.sheet, state, 'Ina')).toBe(false);
    expect(mustHangLock(setting.sheet, state, 'Orla')).toBe(true);
    expect(instructionOf(setting, state, NOW, 'Orla')).toMatchObject({
      do: 'hang',
      missing: [{ code: 'lock' }],
    });
    const both = stateOf(...OPEN, by('Orla', { type: 'lock.hung' }), { type: 'lock.hung' });
    expect(names(both)).toEqual(['Ina', 'Orla']);
    expect(mustHangLock(setting.sheet, both, 'Orla')).toBe(false);
  });

  it('hangs until its owner takes it off; another goes and looks', () => {
    const both = [...OPEN, by('Orla', { type: 'lock.hung' })];
    expect(names(stateOf(...both, clear('Orla')))).toEqual(['Ina', 'Orla']);
    expect(stateOf(...both, clear('Orla')).clear).toEqual({});
    expect(names(stateOf(...both, by('Orla', clear('Orla'))))).toEqual(['Ina']);
    const looked = told(...both, clear('Orla', 'Gone home, lock in the tool box'));
    expect(names(foldJob(looked))).toEqual(['Ina']);
    const page = recordPage(recordOf(setting, looked));
    const lines = page.sections.flatMap((section) => section.lines.map(({ text }) => text));
    expect(lines.filter((line) => line.includes('own lock')).join('\n')).toMatch(
      /^Ina: own lock hung .*, hangs still\nOrla: own lock hung .*; taken off by Ina .*, who went and looked: Gone home, lock in the tool box$/,
    );
  });

  it('stays while it is the last on an open engine: the next one’s hangs first', () => {
    expect(isLastLock(stateOf(...OPEN), 'Ina')).toBe(true);
    const both = [...OPEN, by('Orla', { type: 'lock.hung' } as const)];
    expect(isLastLock(stateOf(...both), 'Ina')).toBe(false);
    expect(isLastLock(stateOf(...both, clear('Ina')), 'Orla')).toBe(true);
    expect(isLastLock(stateOf(...OPEN, { type: 'bar.out' }), 'Ina')).toBe(false);
  });

  it('who handed over and took it off is clear, however often the next one bars', () => {
    const turned: JobAct = { type: 'crank.turned', degrees: 90, how: 'barred', after: null };
    const handed = [...OPEN, by('Orla', { type: 'lock.hung' }), clear('Ina')];
    const barred = stateOf(...handed, by('Orla', turned));
    expect(Object.keys(barred.clear)).toEqual(['Ina']);
    // Whoever bars is at it again themselves, lock or not.
    expect(stateOf(...handed, turned).clear).toEqual({});
    // Back at work they hang it again, and are clear no more.
    const back = stateOf(...handed, by('Orla', turned), { type: 'lock.hung' });
    expect(back.clear).toEqual({});
    expect(names(back)).toEqual(['Orla', 'Ina']);
  });

  it('who left is clear still when the engine ran in between, who isolates anew is not', () => {
    const returned: JobAct = { type: 'engine.returned', why: 'bump', after: null };
    const isolate: JobAct = { type: 'isolation.done', isolation: 'battery' };
    const ran = [
      ...OPEN,
      by('Orla', { type: 'lock.hung' }),
      clear('Ina'),
      { type: 'bar.out' } as const,
      by('Orla', clear('Orla')),
      by('Orla', returned),
    ];
    expect(Object.keys(stateOf(...ran).clear)).toEqual(['Ina', 'Orla']);
    const anew = stateOf(...ran, by('Orla', isolate));
    expect(Object.keys(anew.clear)).toEqual(['Ina']);
    const isolated = [...ran, ...ISOLATED.map((act) => by('Orla', act))];
    expect(instructionOf(setting, stateOf(...isolated), NOW, 'Orla')?.do).toBe('hang');
  });
});
