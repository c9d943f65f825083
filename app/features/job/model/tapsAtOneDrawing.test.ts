import type { JobAct } from '@longbar/core';
import { TapsAtOneDrawing } from './tapsAtOneDrawing';

const turned = { type: 'crank.turned', degrees: 90, how: 'barred', after: null } as const;

describe('a tap that says the same once more', () => {
  it('counts once at one drawing of the job, and again at the next', () => {
    const taps = new TapsAtOneDrawing();
    const [first, next] = [{}, {}];
    expect(taps.isTooLate(first, [turned])).toBe(false);
    expect(taps.isTooLate(first, [turned])).toBe(true);
    expect(taps.isTooLate(next, [turned])).toBe(false);
  });

  it('is another where it says something else', () => {
    const taps = new TapsAtOneDrawing();
    const drawn = {};
    expect(taps.isTooLate(drawn, [turned])).toBe(false);
    expect(taps.isTooLate(drawn, [{ ...turned, degrees: 91 }])).toBe(false);
    expect(taps.isTooLate(drawn, [turned])).toBe(false);
  });

  it('says it for the first time where it was not kept', () => {
    const taps = new TapsAtOneDrawing();
    const drawn = {};
    taps.isTooLate(drawn, [turned]);
    taps.forget();
    expect(taps.isTooLate(drawn, [turned])).toBe(false);
  });
});

describe('a blade that is tapped on a row that was there before', () => {
  const read = (adjuster: string, go: number): JobAct => ({
    type: 'reading.taken',
    adjuster,
    phase: 'found',
    reading: { go, noGo: null, how: 'go-no-go' },
  });
  const locked: JobAct = { type: 'adjuster.locked', adjuster: 'intake.1', how: 'feel' };

  it('is too late once its adjuster was locked, until the screen follows', () => {
    const taps = new TapsAtOneDrawing();
    const drawn = {};
    expect(taps.isTooLate(drawn, [read('intake.1', 300)])).toBe(false);
    expect(taps.isTooLate(drawn, [read('intake.1', 330)])).toBe(false);
    expect(taps.isTooLate(drawn, [locked])).toBe(false);
    expect(taps.isTooLate(drawn, [read('intake.1', 350)])).toBe(true);
    expect(taps.isTooLate(drawn, [read('exhaust.1', 350)])).toBe(false);
    expect(taps.isTooLate({}, [read('intake.1', 350)])).toBe(false);
  });

  it('is too late once something was taken back', () => {
    const taps = new TapsAtOneDrawing();
    const drawn = {};
    expect(taps.isTooLate(drawn, [{ type: 'event.undone', target: 'one' }])).toBe(false);
    expect(taps.isTooLate(drawn, [read('intake.1', 350)])).toBe(true);
  });
});
