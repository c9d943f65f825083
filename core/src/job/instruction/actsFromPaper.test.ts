import { inlineSix } from '../../../test-support/engines';
import { journal, settingOn } from '../../../test-support/journal';
import type { JobAct, PaperLine } from '../..';
import { actsFromPaper, adjusterInstruction, foldJob, isRefused, paperBlanks } from '../..';

const setting = settingOn(inlineSix());
const set = { name: 'mm set', unit: 'mm' as const, blades: [250, 300, 350, 400, 550, 600] };
const line = (id: string, found: string, left = '', toTorque = false): PaperLine => ({
  id,
  found,
  shim: '',
  left,
  toTorque,
  done: false,
});
const acts = (...lines: PaperLine[]) => {
  const answer = actsFromPaper(setting, foldJob([]), set, lines);
  if (isRefused(answer)) throw new Error(answer.says);
  return answer.acts;
};
const types = (...lines: PaperLine[]) => acts(...lines).map(({ type }) => type);

describe('what is typed in from paper', () => {
  it('keeps what was found inside, and finishes what was set and read inside', () => {
    expect(types(line('intake.1', '0.30 0.35'))).toEqual([
      'reading.taken',
      'adjuster.kept',
      'adjuster.painted',
      'crank.turned',
    ]);
    const done = acts(line('intake.1', '0.25 0.28', '.30 .35', true));
    expect(done).toMatchObject([
      { type: 'reading.taken', phase: 'found' },
      { type: 'adjuster.locked' },
      { type: 'reading.taken', phase: 'left', reading: { go: 300, noGo: 350 } },
      { type: 'adjuster.painted' },
      { type: 'crank.turned', degrees: null, how: 'unknown' },
    ]);
  });

  it('leaves open what is outside, spans a limit or raises a question', () => {
    expect(types(line('intake.1', '0.25 0.28'))).toEqual(['reading.taken', 'crank.turned']);
    expect(types(line('intake.1', '0.25 0.30'))).toEqual(['reading.taken', 'crank.turned']);
    const swapped = acts(line('intake.1', '0.55 0.60'));
    expect(swapped.map(({ type }) => type)).toEqual(['reading.taken', 'crank.turned']);
    const state = foldJob(journal(swapped));
    expect(adjusterInstruction(setting, state, 'intake.1')).toMatchObject({ ask: 'question' });
  });

  it('takes all or nothing, and names the blank that is wrong', () => {
    const answer = actsFromPaper(setting, foldJob([]), set, [
      line('intake.1', '0.30 0.35'),
      line('intake.2', '30 35'),
      line('intake.3', '', 'abc'),
    ]);
    expect(answer).toMatchObject({
      refused: 'malformed',
      issues: [
        expect.objectContaining({
          ...{ id: 'intake.2', blank: 'found' },
          message: '30 35 mm is no gap: was 0.30 0.35 mm or 30 35 thou meant?',
        }),
        expect.objectContaining({ id: 'intake.3', blank: 'left' }),
      ],
    });
  });

  it('finishes what has no figure, a bridge that was levelled, where that is said', () => {
    const sheet = inlineSix({ adjusters: [{ kind: 'bridge', locknut: { torque: 30 } }] });
    const bridge = { ...line('bridge.1', ''), toTorque: true };
    const typed = (done: boolean) =>
      actsFromPaper(settingOn(sheet), foldJob([]), set, [{ ...bridge, done }]);
    expect(typed(false)).toEqual({ acts: [] });
    expect(typed(true)).toMatchObject({
      acts: [
        { type: 'adjuster.locked', adjuster: 'bridge.1', how: 'torque', torque: 30 },
        { type: 'adjuster.painted', adjuster: 'bridge.1' },
        { type: 'crank.turned' },
      ],
    });
  });

  it('measures buckets with the shim that is in them, and locks nothing there', () => {
    const spec = { low: 200, target: 250, high: 300 };
    const sheet = inlineSix({ adjusters: [{ kind: 'intake', method: 'shim', spec }] });
    const typed = (shim: string) =>
      actsFromPaper(settingOn(sheet), foldJob([]), set, [
        { ...line('intake.1', '0.30 0.35', '0.25 0.30'), shim },
      ]);
    expect(typed('2,75')).toEqual({
      acts: [
        expect.objectContaining({ type: 'reading.taken', phase: 'found' }),
        { type: 'shim.found', adjuster: 'intake.1', size: 2750 },
        expect.objectContaining({ type: 'crank.turned' }),
      ],
    });
    // Once another shim is in, what it leaves is read: how it was found stays as it was.
    const fitted = foldJob(journal([{ type: 'shim.fitted', adjuster: 'intake.1', size: 2700 }]));
    const after = [{ ...line('intake.1', '0.30 0.35', '0.25 0.30'), shim: '2.75' }];
    expect(actsFromPaper(settingOn(sheet), fitted, set, after)).toEqual({
      acts: [
        expect.objectContaining({ type: 'reading.taken', phase: 'left' }),
        expect.objectContaining({ type: 'crank.turned' }),
      ],
    });
    for (const wrong of ['275', 'thick']) {
      expect(typed(wrong)).toMatchObject({ issues: [{ id: 'intake.1', blank: 'shim' }] });
    }
  });

  it('leaves how it was found as it was where it was begun on the screen, and finishes it', () => {
    const begun: JobAct[] = [
      { type: 'adjuster.locked', adjuster: 'intake.1', how: 'feel' },
      { type: 'rockers.loosened', adjusters: ['intake.2'] },
    ];
    const sets: JobAct[] = [begun[0]!, { type: 'scope.chosen', checkOnly: true }];
    for (const acts of [begun, sets]) {
      const answer = actsFromPaper(setting, foldJob(journal(acts)), set, [
        line('intake.1', '0.25 0.30', '0.30 0.35'),
      ]);
      expect(!isRefused(answer) && answer.acts.map(({ type }) => type)).toEqual([
        'adjuster.locked',
        'reading.taken',
        'adjuster.painted',
        'crank.turned',
      ]);
    }
    const { adjusters } = foldJob(journal(begun));
    const [six] = inlineSix().adjusters;
    expect(paperBlanks(six!, 'check-only', adjusters['intake.2'])).toEqual(['left', 'locked']);
  });

  it('sets nothing where a job only checks', () => {
    const state = foldJob(journal([{ type: 'scope.chosen', checkOnly: true }]));
    const answer = actsFromPaper(setting, state, set, [
      line('intake.1', '0.25 0.28', '0.30 0.35', true),
    ]);
    expect(answer).toEqual({
      acts: [
        expect.objectContaining({ type: 'reading.taken', phase: 'found' }),
        { type: 'adjuster.kept', adjuster: 'intake.1' },
        { type: 'adjuster.painted', adjuster: 'intake.1' },
        expect.objectContaining({ type: 'crank.turned' }),
      ],
    });
  });

  it('writes nothing down of an empty paper', () => {
    expect(acts(line('intake.1', ''), line('intake.2', ' '))).toEqual([]);
  });
});
