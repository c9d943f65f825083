import { assert, integer, property } from 'fast-check';
import { head, journal, setting, wholeJob } from '../../../test-support/journal';
import type { JobAct, JobEvent } from '../..';
import { begunOf, foldJob, foldOn, jobInstruction, maySign, recordOf, recordPage } from '../..';

const NOW = '2026-05-03T08:00:00Z';
const whole = journal(wholeJob());
const signature = whole[whole.length - 1]!;

/** An event of another phone, below the signature's place. */
function slipped(n: number, act: JobAct = { type: 'hours.read', hours: 9999 }): JobEvent {
  const id = `00000000-0000-4000-9999-${String(n).padStart(12, '0')}`;
  return { ...act, id, job: head.id, n, at: NOW, by: 'Orla' };
}
const counted = ({ late: _late, lastN: _lastN, ...state }: ReturnType<typeof foldJob>) => state;

describe('what comes when a job is signed', () => {
  it('changes nothing, wherever it would stand, and is told', () => {
    const signed = counted(foldJob(whole));
    assert(
      property(integer({ min: 1, max: signature.n + 3 }), (n) => {
        const event = slipped(n);
        const state = foldJob([...whole, event], [event.id]);
        expect(counted(state)).toEqual(signed);
        expect(state.late).toEqual([event]);
        expect(foldOn(undefined, [...whole, event], [event.id]).state).toEqual(state);
      }),
      { numRuns: 60 },
    );
  });

  it('is no undoing of the signature, nor a second one', () => {
    const undoing = slipped(signature.n + 1, { type: 'event.undone', target: signature.id });
    const second = slipped(signature.n + 2, { type: 'job.signed', name: 'Orla' });
    for (const late of [[], [undoing.id, second.id]]) {
      expect(foldJob([...whole, undoing, second], late).signed).toMatchObject({ name: 'Ina' });
    }
  });

  it('goes on from where it stood once it is known which are late', () => {
    const event = slipped(5);
    const before = foldOn(undefined, [...whole.slice(0, -1), event]);
    expect(before.state.hours?.hours).toBe(foldJob([...whole.slice(0, -1), event]).hours?.hours);
    const after = foldOn(before, [...whole.slice(0, -1), event], [event.id]);
    expect(after.state).toEqual(foldJob([...whole.slice(0, -1), event], [event.id]));
  });

  it('stands in the record as what it is', () => {
    const event = slipped(5);
    const begun = { ...setting, late: [event.id] };
    const { additions, signature: signed } = recordPage(recordOf(begun, [...whole, event]));
    expect(signed).toMatch(/^Signed by Ina/);
    expect(additions).toEqual([
      expect.stringMatching(/^Came too late to count, .*Orla: .*9,999 h/),
    ]);
  });
});

describe('a signature', () => {
  const upTo = (count: number) => foldJob(whole.slice(0, count));

  it('counts only where all that it vouches for is done, as it says', () => {
    const last = whole.length - 1;
    expect(maySign(setting, upTo(last), NOW, {})).toBe(true);
    expect(maySign(setting, upTo(last), NOW, { incomplete: true })).toBe(false);
    for (let count = 0; count < last; count++) {
      expect([count, maySign(setting, upTo(count), NOW, {})]).toEqual([count, false]);
    }
    expect(maySign(setting, foldJob(whole), NOW, {})).toBe(false);
  });

  it('that came too soon leaves the job as open as it was', () => {
    const early = { ...signature, n: 8 };
    const late = [early.id];
    const events = [...whole.slice(0, 7), early];
    const shop = { policy: setting.policy, round: setting.round };
    const begun = begunOf({ head, sheet: setting.sheet, shop, late });
    expect(jobInstruction(begun, events, NOW)).toEqual(
      jobInstruction(setting, whole.slice(0, 7), NOW),
    );
    expect(recordPage(recordOf(begun, events)).additions).toEqual([
      expect.stringMatching(/^A signature that does not count, /),
    ]);
  });
});
