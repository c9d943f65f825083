import { inlineSix } from '../../../test-support/engines';
import { head, journal } from '../../../test-support/journal';
import type { JobAct, JobBegun, JobEvent } from '../..';
import {
  actsFromPaper,
  aimAt,
  begunOf,
  describeInstruction,
  dueActs,
  entryAtWork,
  foldJob,
  isKnown,
  isRefused,
  itemNames,
  recordOf,
  recordPage,
  settingOf,
  simulateJob,
} from '../..';
import { adjusterInstruction } from './adjusterInstruction';

/** The valves of the six: 0.28 to 0.38 and 0.53 to 0.63 mm, the targets 0.33 and 0.58. */
const sheet = inlineSix();
const rates = { 'exhaust.1': { rate: -200, low: -240, high: -160 } };
const steps = (step: number) => Array.from({ length: 1000 / step }, (_, i) => (i + 1) * step);
const fine = { name: 'fine', unit: 'mm' as const, blades: steps(10) };
const coarse = { name: 'coarse', unit: 'mm' as const, blades: steps(50) };
const stacked = { name: 'stacked', unit: 'mm' as const, blades: [20, 30, ...steps(50)] };
const ID = 'exhaust.1';

function begun(aim: 'off' | 'offered' | 'on', context = {}): JobBegun {
  const shop = { policy: 'leave-inside' as const, bladeSets: [fine, coarse, stacked], aim };
  return begunOf({ head, sheet, shop, rates, ...context });
}

const found = (bladeSet: string): JobAct => ({
  type: 'reading.taken',
  adjuster: ID,
  phase: 'found',
  reading: { go: 500, noGo: 510, how: 'go-no-go' },
  bladeSet,
});
const chosen = (to: 'aim' | 'maker'): JobAct => ({ type: 'aim.chosen', adjuster: ID, to });

/** The job after these acts, with what its phone wrote down by itself. */
function jobOf(begins: JobBegun, acts: JobAct[]) {
  const rules = dueActs(settingOf(begins, {}), foldJob([]));
  const events = journal([...rules, ...acts]);
  const state = foldJob(events);
  return { events, state, setting: settingOf(begins, state) };
}

describe('an aim in a job', () => {
  it('is offered, on or off by the shop’s rule, and either can be chosen', () => {
    const inForce = (rule: 'off' | 'offered' | 'on', ...acts: JobAct[]) => {
      const { setting, state } = jobOf(begun(rule), [found('fine'), ...acts]);
      return aimAt(setting, state, ID)?.inForce;
    };
    expect(inForce('off')).toBeUndefined();
    expect(inForce('offered')).toBe(false);
    expect(inForce('offered', chosen('aim'))).toBe(true);
    expect(inForce('on')).toBe(true);
    expect(inForce('on', chosen('maker'))).toBe(false);
  });

  it('goes by the blades it was read with, and leaves target and limits as they are', () => {
    const specWith = (set: string) => {
      const { setting, state } = jobOf(begun('on'), [found(set)]);
      return entryAtWork(setting, state, ID)?.spec;
    };
    const plain = entryAtWork(...settingAndState(begun('off')), ID)?.spec;
    expect(specWith('fine')).toEqual({ ...plain, aim: plain!.high - 10 });
    // No two of the coarse ones lie inside above the target.
    expect(specWith('coarse')).toEqual(plain);
    // 0.60 and 0.02 together; with the next, 0.60 and 0.03, it is at its limit.
    expect(specWith('stacked')?.aim).toBe(620);
  });

  it('is told in the instruction that every phone reads', () => {
    const { setting, state } = jobOf(begun('on'), [found('fine')]);
    const next = adjusterInstruction(setting, state, ID);
    expect(next).toMatchObject({ do: 'adjust', spec: { aim: 620 } });
    const said = describeInstruction(
      { ...next!, step: 'stop', missing: [] } as Parameters<typeof describeInstruction>[0],
      itemNames(setting.sheet, state),
    );
    expect(said.detail).toMatch(/^0\.62 mm.*\. The maker’s target is 0\.58 mm$/);
  });

  it('is not there where nobody knows the rate, or the job began without', () => {
    const { setting, state } = jobOf(begun('on', { rates: undefined }), [found('fine')]);
    expect(aimAt(setting, state, ID)).toBeUndefined();
    // After head work nobody knows how it drifts from there.
    const headWork: JobAct = { type: 'why.noted', reason: 'head-work' };
    const after = jobOf(begun('on'), [headWork, found('fine')]);
    expect(aimAt(after.setting, after.state, ID)).toBeUndefined();
    const before = jobOf(begun('off'), [found('fine')]);
    // The shop aims from today on: what was begun before stays as it was.
    expect(aimAt(settingOf(begun('on'), before.state), before.state, ID)).toBeUndefined();
  });

  it('stands in the record, with the maker’s target beside it', () => {
    const acts: JobAct[] = [
      found('fine'),
      { type: 'adjuster.locked', adjuster: ID, how: 'feel', aimed: 620 },
    ];
    const { events } = jobOf(begun('on'), acts);
    const record = recordOf(begun('on'), events);
    expect(record.rules.aim).toBe('on');
    const row = recordPage(record).rows.find(({ id }) => id === ID);
    expect(row?.done).toContain('aimed at 0.62 mm by its drift, the target is 0.58 mm');
  });

  it('is what was set where that was done by the paper', () => {
    const typed = (rule: 'off' | 'on') => {
      const { setting, state } = jobOf(begun(rule), [found('fine')]);
      const line = { id: ID, found: '', shim: '', left: '0.62 0.63', toTorque: false, done: false };
      const answer = actsFromPaper(setting, state, fine, [line]);
      return isRefused(answer) ? answer.says : answer.acts[0];
    };
    const lock = { type: 'adjuster.locked', adjuster: ID, how: 'feel' };
    expect(typed('on')).toEqual({ ...lock, aimed: 620 });
    expect(typed('off')).toEqual(lock);
  });

  it('is set, recorded and inside in a whole job', () => {
    const all = Object.fromEntries(
      ['intake', 'exhaust'].flatMap((kind) =>
        [1, 2, 3, 4, 5, 6].map((n) => [`${kind}.${n}`, { rate: -200, low: -240, high: -160 }]),
      ),
    );
    const outcome = simulateJob(sheet, {
      ...{ method: 'two-position', policy: 'reset-all', start: 137, seed: 4, faults: {} },
      aims: { aim: 'on', rates: all },
    });
    if (isRefused(outcome)) throw new Error(outcome.says);
    expect(outcome.outcome).toBe('signed');
    const locked = outcome.events.filter(
      (event): event is JobEvent & { aimed?: number } =>
        isKnown(event) && event.type === 'adjuster.locked',
    );
    expect(locked.length).toBeGreaterThan(11);
    for (const { aimed } of locked) expect([360, 600]).toContain(aimed);
  });
});

function settingAndState(begins: JobBegun) {
  const { setting, state } = jobOf(begins, []);
  return [setting, state] as const;
}
