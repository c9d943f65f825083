import type { JobAct } from '@longbar/core';
import { crankOfJob, foldJob } from '@longbar/core';
import { inlineSix } from '../../../../core/test-support/engines';
import { journal, settingOn } from '../../../../core/test-support/journal';
import { jobCells } from './jobCells';

const lash = { low: 280, target: 330, high: 380 };
const six = inlineSix({
  adjusters: [
    { kind: 'intake', spec: lash },
    { kind: 'injector', measure: 'preload', spec: { low: 9000, target: 10000, high: 11000 } },
  ],
});
const read = (adjuster: string, go: number, noGo: number): JobAct => ({
  ...{ type: 'reading.taken', adjuster, phase: 'found' },
  reading: { go, noGo, how: 'go-no-go' },
});

/** What the map says of an adjuster. */
function saysOf(id: string, ...acts: JobAct[]): string | undefined {
  const state = foldJob(journal(acts));
  const job = { setting: settingOn(six), state, crank: crankOfJob(six, state) };
  return jobCells(job, { at: undefined })[id]?.says;
}

it('tells each figure in the unit of its kind', () => {
  expect(saysOf('intake.1', read('intake.1', 300, 330))).toMatch(/0\.30–0\.33 mm$/);
  expect(saysOf('injector.1', read('injector.1', 10000, 10500))).toMatch(/ N·m$/);
});

it('does not tell what was only checked, and is to be set since, as finished', () => {
  const tight = [
    { type: 'scope.chosen', checkOnly: true },
    read('intake.1', 200, 250),
    { type: 'adjuster.kept', adjuster: 'intake.1' },
    { type: 'adjuster.painted', adjuster: 'intake.1' },
  ] as const;
  expect(saysOf('intake.1', ...tight)).toMatch(/^finished/);
  expect(saysOf('intake.1', ...tight, { type: 'scope.chosen' })).toMatch(/^read as found/);
});

it('tells what was read before the job was about something else, and that it no longer is', () => {
  const only: JobAct = { type: 'scope.chosen', kinds: ['injector'] };
  expect(saysOf('intake.1', only)).toBe('not part of this job');
  expect(saysOf('intake.1', read('intake.1', 300, 330), only)).toMatch(
    /read as found, 0\.30–0\.33 mm, no part of this job any more$/,
  );
});
