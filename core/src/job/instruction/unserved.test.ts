import { inlineSix } from '../../../test-support/engines';
import { foundAtMark, journal, setting, wholeJob } from '../../../test-support/journal';
import type { EngineSheet, JobAct } from '../..';
import { deviationsOf, foldJob, jobInstruction, unsetOf } from '../..';

const NOW = '2026-05-02T18:00:00.000Z';
const ID = 'injector.1';
const before = wholeJob().slice(0, 7);
const spec = { low: 300, target: 320, high: 340 };
const figureless = inlineSix({ adjusters: [...setting.sheet.adjusters, { kind: 'injector' }] });
const sheet = inlineSix({ adjusters: [...setting.sheet.adjusters, { kind: 'injector', spec }] });
const unserved = [1, 2, 3, 4, 5, 6].map((cylinder) => `injector.${cylinder}`);
const planned: JobAct = { type: 'plan.made', method: 'two-position', stops: [], unserved };
const cannot = (adjuster: string): JobAct => ({
  type: 'adjuster.unset',
  adjuster,
  reason: 'no-place',
});
const others = unserved.filter((id) => id !== ID).map(cannot);
const only: JobAct = { type: 'scope.chosen', kinds: ['injector'] };
const found = [...before, only, ...foundAtMark(), planned];
const placed: JobAct = { type: 'adjuster.placed', adjuster: ID, reason: 'Page 9' };
const turned: JobAct = { type: 'crank.turned', degrees: null, how: 'unknown' };
const paused: JobAct = { type: 'work.paused', minutes: 30 };

/** What is asked next after these acts. */
const next = (acts: readonly JobAct[], on: EngineSheet = sheet) =>
  jobInstruction({ ...setting, sheet: on }, journal(acts), NOW);
const deviations = (acts: readonly JobAct[]) => deviationsOf(foldJob(journal(acts)));

describe('an adjuster that no stop serves, or that has no figure', () => {
  it('is asked for by name, and ends unset or placed by a person', () => {
    expect(next(found)).toMatchObject({ ask: 'unserved', why: 'no-stop', mayPlace: true });
    expect(next(found, figureless)).toMatchObject({ why: 'no-figure', mayPlace: false });
    expect(next([...found, ...unserved.map(cannot)])).toMatchObject({ do: 'round' });
    expect(deviations([...found, placed])).toEqual([expect.objectContaining({ reason: 'Page 9' })]);
    expect(deviations([...found, placed, cannot(ID)])).toEqual([]);
  });

  it('is asked for again where it can be set after all, below the covers too', () => {
    const resumed: JobAct = { type: 'adjuster.resumed', adjuster: ID };
    const given = [...found, ...unserved.map(cannot)];
    expect(next([...given, resumed])).toMatchObject({ ask: 'unserved', id: ID });
    // The round is said to be done again, after what is set then.
    expect(foldJob(journal([...given, { type: 'round.done' }, resumed])).roundDone).toBeUndefined();
    // The record says why it was given up, though it was set since.
    const reason = 'no place known for it';
    expect(deviations([...given, resumed])).toEqual([expect.objectContaining({ reason })]);
    const closed: JobAct[] = [
      ...given,
      { type: 'round.done' },
      { type: 'closing.done', item: 'covers' },
    ];
    expect(next(closed)).not.toMatchObject({ do: 'open' });
    expect(next([...closed, resumed])).toMatchObject({ do: 'open' });
    // Also where the plan that had no stop for it is there no more.
    const another: JobAct = { type: 'method.changed', method: 'each' };
    expect(next([...closed, another, resumed])).toMatchObject({ do: 'open' });
    expect(unsetOf(foldJob(journal([...closed, resumed])))).not.toContain(ID);
  });

  it('is set where it was placed though nothing else is to be done', () => {
    const acts = [...found, placed, ...others];
    expect(next(acts)).toMatchObject({ do: 'read', step: 'stop', id: ID, phase: 'found' });
    // It comes before all else that may be done there.
    const all: JobAct[] = [...before, ...foundAtMark(), planned];
    expect(next([...all, placed])).toMatchObject({ do: 'read', step: 'stop', id: ID });
    // Whoever placed it answers for where it stands, though nobody knows the crank.
    expect(next([...acts, turned, placed])).toMatchObject({ do: 'read', id: ID });
    expect(next([...acts, paused])).toMatchObject({ ask: 'turned' });
    const cold = acts.filter(({ type }) => type !== 'cold.stated');
    expect(next(cold)).toMatchObject({ ask: 'temperature' });
  });

  it('is set there only until the crank is turned, or may have been', () => {
    const acts = [...found, placed, ...others];
    expect(next([...acts, paused, { type: 'crank.held' }])).toMatchObject({ do: 'read', id: ID });
    for (const away of [[turned], [paused, ...foundAtMark()]]) {
      expect(next([...acts, ...away])).toMatchObject({ ask: 'unserved', id: ID });
      expect(deviations([...acts, ...away])).toEqual([]);
    }
  });

  it('stays a deviation once it was set, and is read where it is placed anew', () => {
    const locked: JobAct = { type: 'adjuster.locked', adjuster: ID, how: 'feel' };
    const away = [...found, placed, ...others, locked, turned];
    expect(deviations(away)).toHaveLength(1);
    expect(next(away)).toMatchObject({ ask: 'unserved', id: ID });
    expect(next([...away, placed])).toMatchObject({ do: 'read', id: ID, phase: 'left' });
  });

  it('is no bridge without a figure, for it needs none, and no bucket, for shims are planned', () => {
    const { adjusters } = setting.sheet;
    const bridges = inlineSix({ adjusters: [...adjusters, { kind: 'bridge', lobe: 'intake' }] });
    const bucket = { kind: 'injector' as const, spec, method: 'shim' };
    const ofBridges: JobAct[] = [
      ...before,
      { type: 'scope.chosen', kinds: ['bridge'] },
      ...foundAtMark(),
      { ...planned, unserved: ['bridge.1'] },
    ];
    expect(next(ofBridges, bridges)).toMatchObject({ why: 'no-stop', mayPlace: true });
    const buckets = inlineSix({ adjusters: [...adjusters, bucket] });
    expect(next(found, buckets)).toMatchObject({ why: 'no-stop', mayPlace: false });
  });
});
