import { inlineSix } from '../../../test-support/engines';
import { journal, settingOn } from '../../../test-support/journal';
import type { JobAct, JobBegun } from '../..';
import { foldJob, questionsAt, unansweredFindings } from '../..';

const blades = [200, 250, 300, 350, 400, 500, 550, 600, 650, 700, 750];
const evidence = {
  sheet: settingOn(inlineSix()).sheet,
  bladeSets: [{ name: 'mm', unit: 'mm' as const, blades }],
};
const tapped = (adjuster: string, go: number, noGo: number): JobAct => ({
  type: 'reading.taken',
  adjuster,
  phase: 'found',
  reading: { go, noGo, how: 'go-no-go' },
  tried: [
    { size: go, enters: true },
    { size: noGo, enters: false },
  ],
});
const asked = (id: string, acts: JobAct[]) =>
  questionsAt(evidence, foldJob(journal(acts)), id).map(({ key }) => key.split(' ').at(-1));

describe('questions before an adjuster is touched', () => {
  it('are none of a reading inside or a little outside its limits', () => {
    expect(asked('intake.1', [tapped('intake.1', 300, 350)])).toEqual([]);
    expect(asked('intake.1', [tapped('intake.1', 200, 250)])).toEqual([]);
    expect(asked('intake.1', [])).toEqual([]);
  });

  it('ask of the other valve’s setting, and of a swap', () => {
    const acts = [tapped('intake.1', 550, 600)];
    expect(asked('intake.1', acts)).toEqual(['other-spec', 'far-loose']);
    expect(asked('intake.1', [...acts, tapped('exhaust.1', 300, 350)])[0]).toBe('swap');
  });

  it('ask of a cylinder whose valves are both tight', () => {
    const acts = [tapped('intake.1', 200, 250), tapped('exhaust.1', 450, 500)];
    expect(asked('exhaust.1', acts)).toEqual(['both-tight']);
  });

  it('ask of one that is unlike its neighbours', () => {
    const others = [2, 3, 4, 5].map((n) => tapped(`intake.${n}`, 350, 400));
    expect(asked('intake.1', [...others, tapped('intake.1', 250, 300)])).toEqual(['unlike-tight']);
    expect(asked('intake.1', [...others.slice(1), tapped('intake.1', 250, 300)])).toEqual([]);
  });

  it('say of a gap between blades far apart only what is so of all that it may be', () => {
    // The target blade, tried first, does not enter: it may be a hair under it, or held shut.
    const first = [tapped('intake.1', 0, 350)];
    const others = [2, 3, 4, 5].map((n) => tapped(`intake.${n}`, 300, 350));
    expect(asked('intake.1', first)).toEqual([]);
    expect(asked('intake.1', [...others, ...first])).toEqual([]);
    expect(asked('intake.1', [...others, tapped('intake.1', 200, 350)])).toEqual([]);
    expect(asked('intake.1', [tapped('intake.1', 0, 150)])).toEqual(['far-tight']);
    expect(asked('intake.1', [tapped('intake.1', 150, 200)])).toEqual(['far-tight']);
    const open: JobAct = {
      ...{ type: 'reading.taken', adjuster: 'intake.1', phase: 'found' },
      reading: { go: 600, noGo: null, how: 'go-no-go' },
    };
    expect(asked('intake.1', [open])).toEqual(['far-loose']);
  });

  it('are done with once answered, until it reads otherwise, and once it is changed', () => {
    const acts = [tapped('intake.1', 550, 600)];
    const [first] = questionsAt(evidence, foldJob(journal(acts)), 'intake.1');
    const answer: JobAct = { type: 'question.answered', question: first!.key, answer: 'looked' };
    expect(asked('intake.1', [...acts, answer])).toEqual(['far-loose']);
    expect(asked('intake.1', [...acts, answer, tapped('intake.1', 600, 650)])).toContain(
      'other-spec',
    );
    const lock: JobAct = { type: 'adjuster.locked', adjuster: 'intake.1', how: 'feel' };
    expect(asked('intake.1', [...acts, lock])).toEqual([]);
  });

  it('ask of a slip after locking as of one before', () => {
    const lock: JobAct = { type: 'adjuster.locked', adjuster: 'intake.1', how: 'feel' };
    const left: JobAct = { ...tapped('intake.1', 550, 600), phase: 'left' } as JobAct;
    const acts = [tapped('intake.1', 200, 250), lock, left];
    expect(asked('intake.1', acts)).toEqual(['other-spec']);
    const done: JobAct = { type: 'adjuster.painted', adjuster: 'intake.1' };
    expect(asked('intake.1', [...acts, done])).toEqual([]);
  });
});

describe('what a record says nobody looked into', () => {
  const reading = (go: number) => ({ go, noGo: go + 50, how: 'go-no-go' as const });
  type Known = Pick<JobBegun, 'lastLeft' | 'hourMeter'>;
  const told = (acts: JobAct[], known: Known = {}) =>
    unansweredFindings({ ...evidence, ...known }, foldJob(journal(acts))).map(
      ({ finding }) => finding,
    );

  it('is what this job’s readings tell by themselves', () => {
    const acts = [tapped('intake.1', 200, 250), tapped('exhaust.1', 450, 500)];
    expect(told(acts)).toEqual(['both-tight']);
    const answer = (question: string): JobAct => ({
      type: 'question.answered',
      question,
      answer: 'looked at',
    });
    expect(told([...acts, answer('exhaust.1 450–500 both-tight')])).toEqual([]);
    expect(told([...acts, answer('exhaust.2 450–500 both-tight')])).toEqual(['both-tight']);
    expect(told([])).toEqual([]);
  });

  it('is what they tell beside those of the check before', () => {
    const ids = [1, 2, 3, 4, 5, 6].map((n) => `intake.${n}`);
    const hours = { date: '2026-01-05', hours: 6000 };
    const readings = Object.fromEntries(ids.map((id) => [id, reading(250)]));
    const acts: JobAct[] = [
      { type: 'hours.read', hours: 6400 },
      ...ids.map((id) => tapped(id, id === 'intake.3' ? 400 : 250, id === 'intake.3' ? 450 : 300)),
    ];
    const lastLeft = { hours, readings };
    expect(told(acts, { lastLeft })).toEqual(['locknut']);
    expect(told(acts)).toEqual([]);
    const head: JobAct = { type: 'why.noted', reason: 'head-work' };
    expect(told([head, ...acts], { lastLeft })).toEqual([]);
    // By another meter it is no earlier for that, and what the old one showed last counts.
    const fitted: JobAct = { type: 'hours.read', hours: 12, replaced: true };
    const onAnother = [fitted, ...acts.slice(1)];
    expect(told(onAnother, { lastLeft })).toEqual(['locknut']);
    const ran = (shown: number) => [{ date: '2026-02-05', hours: shown }];
    const hourMeter = (shown: number) => ({ readings: ran(shown), meter: [] });
    expect(told(onAnother, { lastLeft, hourMeter: hourMeter(6500) })).toEqual(['locknut']);
    expect(told(onAnother, { lastLeft, hourMeter: hourMeter(9000) })).toEqual(['drift-apart']);
  });
});
