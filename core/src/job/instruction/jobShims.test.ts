import { planned } from '../../../test-support/engines';
import { barredTo, journal, keepAsFound } from '../../../test-support/journal';
import { PLAN, SETTING, START, targetOf } from '../../../test-support/shimmedSix';
import type { JobAct, ShimStage } from '../..';
import {
  adjusterInstruction,
  foldJob,
  instructionOf,
  jobPlan,
  mayChooseScope,
  planShims,
  shimPlanTaken,
  shimRows,
  shimStage,
} from '../..';
import { wantedOf } from './atWork';
import { isFinished } from './gates';
import { openNow, shimsLieOpen } from '../journal/shimsInHand';
import { shimIds } from './jobShims';

const supply = {
  stock: [],
  buy: { from: 2200, to: 3000, step: 50 },
  policy: 'leave-inside' as const,
};
const stopOf = (id: string) => PLAN.stops.findIndex(({ set }) => set.some((s) => s.id === id));

/** Everything measured at target but one at each stop, which are the wrong way round. */
function measured(by = 100): JobAct[] {
  return PLAN.stops.flatMap(({ at, set }, stop): JobAct[] => [
    ...(stop > 0 ? barredTo(at as 0 | 360) : []),
    ...set.flatMap(({ id }, i): JobAct[] => {
      const off = i > 0 ? 0 : stop === 0 ? -by : by;
      const gap = targetOf(id) + off;
      const reading = { go: gap - 25, noGo: gap + 25, how: 'go-no-go' as const };
      return [
        { type: 'reading.taken', adjuster: id, phase: 'found', reading },
        { type: 'shim.found', adjuster: id, size: stop === 0 ? 2600 : 2500 },
      ];
    }),
  ]);
}

const stage = (acts: JobAct[]): ShimStage => shimStage(SETTING.sheet, foldJob(journal(acts)), PLAN);

describe('the work on the shims', () => {
  const acts = [...START, ...measured()];
  const rows = shimRows(SETTING, foldJob(journal(acts)), PLAN);
  const shims = planShims(rows, supply);
  const taken = shimPlanTaken(shims, foldJob(journal(acts)));

  it('takes the middle of each gap and the stop it is measured at', () => {
    expect(rows).toHaveLength(12);
    // The crank stands at the second stop by now: the walk begins there.
    for (const { id, stop } of rows) expect(stop).toBe(1 - stopOf(id));
  });

  it('counts nothing as measured of which only a thick blade is known that does not enter', () => {
    const id = PLAN.stops[0]!.set[0]!.id;
    const tried = (noGo: number, go = 0): JobAct => ({
      ...{ type: 'reading.taken', adjuster: id, phase: 'found' },
      reading: { go, noGo, how: 'go-no-go' },
    });
    const stepAfter = (act: JobAct) =>
      adjusterInstruction(SETTING, foldJob(journal([...START, act])), id);
    expect(stepAfter(tried(targetOf(id)))).toMatchObject({ do: 'settle', phase: 'found' });
    expect(stepAfter(tried(200))).toMatchObject({ do: 'read', phase: 'found' });
    expect(stepAfter(tried(250, 200))).toMatchObject({ ask: 'shim' });
    // By another data tag what was measured may be outside: it is settled before anything is planned.
    const size: JobAct = { type: 'shim.found', adjuster: id, size: 2500 };
    const isDone = (act: JobAct) =>
      isFinished(SETTING.sheet, foldJob(journal([...START, act, size])), id);
    expect([isDone(tried(250, 200)), isDone(tried(300, 250))]).toEqual([true, false]);
  });

  it('goes from the plan to the last dab, each bucket closed before the crank moves on', () => {
    expect(stage(acts)).toEqual({ stage: 'plan' });
    const done: JobAct[] = [...acts, ...taken];
    const stages: string[] = [];
    for (let i = 0; i < 60; i++) {
      const next = stage(done);
      stages.push(next.stage);
      if (next.stage === 'done') break;
      if (next.stage === 'bar') {
        const { at } = PLAN.stops[stopOf(next.ids[0] as string)]!;
        done.push(...barredTo(at as 0 | 360));
      }
      if (next.stage === 'fit') {
        const { id, in: size } = next.acts[0]!;
        done.push({ type: 'shim.fitted', adjuster: id, size });
      }
      if (next.stage === 'read') {
        const gap = targetOf(next.id);
        const reading = { go: gap - 25, noGo: gap + 25, how: 'go-no-go' as const };
        done.push(
          { type: 'reading.taken', adjuster: next.id, phase: 'left', reading },
          { type: 'adjuster.painted', adjuster: next.id },
        );
      }
    }
    const { adjusters } = foldJob(journal(done));
    expect(Object.values(adjusters).every(({ painted }) => painted)).toBe(true);
    expect(stages.filter((each) => each === 'read')).toHaveLength(2);
    // One exchange between two stops: a stand-in at the first, and back to it at the end.
    expect(stages.filter((each) => each === 'fit')).toHaveLength(3);
  });

  it('is worked out anew where it was taken back that one stays as it is, once none lies open', () => {
    const stays = taken.find(({ type }) => type === 'adjuster.kept');
    const bucket = stays?.type === 'adjuster.kept' ? stays.adjuster : '';
    const isOfIt = (act: JobAct) => 'adjuster' in act && act.adjuster === bucket;
    const takenBack = [...acts, ...taken.filter((act) => !isOfIt(act))];
    expect(stage([...acts, ...taken]).stage).not.toBe('plan');
    expect(stage(takenBack)).toEqual({ stage: 'plan' });
    const [first] = shims.order;
    const open: JobAct = { type: 'shim.fitted', adjuster: first!.id, size: null };
    expect(stage([...takenBack, open])).not.toEqual({ stage: 'plan' });
  });

  it('is worked out anew where a fitted bucket reads outside', () => {
    const [first] = shims.order;
    const fromDrawer = shims.rows.map((row) =>
      row.id === first!.id ? { ...row, from: 'stock' } : row,
    );
    const wrong = { go: 100, noGo: 150, how: 'go-no-go' as const };
    const done: JobAct[] = [
      ...acts,
      { type: 'shims.planned', ...shims, rows: fromDrawer, order: [{ ...first!, in: 2450 }] },
      ...taken.slice(1),
      { type: 'shim.fitted', adjuster: first!.id, size: 2450 },
      { type: 'reading.taken', adjuster: first!.id, phase: 'left', reading: wrong },
    ];
    expect(stage(done)).toEqual({ stage: 'plan' });
    const again = shimRows(SETTING, foldJob(journal(done)), PLAN);
    expect(again.find(({ id }) => id === first!.id)).toMatchObject({ old: 2450, measured: 125 });
  });

  it('reads on what is known from one side alone, before anything is worked out anew', () => {
    const [first] = shims.order;
    const id = first!.id;
    const rowsOf = shims.rows.map((row) => (row.id === id ? { ...row, from: 'stock' } : row));
    const fitted: JobAct[] = [
      ...acts,
      { type: 'shims.planned', ...shims, rows: rowsOf, order: [{ ...first!, in: 2450 }] },
      ...taken.slice(1),
      { type: 'shim.fitted', adjuster: id, size: 2450 },
    ];
    const read = (phase: 'left' | 'again', noGo: number | null): JobAct => ({
      ...{ type: 'reading.taken', adjuster: id, phase },
      reading: { go: targetOf(id) + 60, noGo, how: 'go-no-go' },
    });
    const open = [...fitted, read('left', null)];
    expect(stage(open)).toEqual({ stage: 'read', id });
    const at = adjusterInstruction(SETTING, foldJob(journal(open)), id);
    expect(at).toMatchObject({ do: 'read', phase: 'left', id });
    expect(stage([...fitted, read('left', targetOf(id) + 100)])).toEqual({ stage: 'plan' });
    // Though another calls for a new plan meanwhile, it would be left out of that.
    const wrong = { go: 100, noGo: 150, how: 'go-no-go' as const };
    const adjuster = shims.rows.find((row) => row.from === row.id)!.id;
    const other: JobAct = { type: 'reading.taken', adjuster, phase: 'again', reading: wrong };
    expect(stage([...fitted, other])).toEqual({ stage: 'plan' });
    expect(stage([...open, other])).toEqual({ stage: 'read', id });

    // On the round, too, whether or not it was chosen for it.
    const finished = (adjuster: string): JobAct[] => [
      {
        ...{ type: 'reading.taken', adjuster, phase: 'left' },
        reading: { go: targetOf(adjuster) - 25, noGo: targetOf(adjuster) + 25, how: 'go-no-go' },
      },
      { type: 'adjuster.painted', adjuster },
    ];
    const others = shims.rows.filter((row) => row.id !== id && row.from !== row.id);
    const done: JobAct[] = [
      ...fitted,
      ...finished(id),
      ...others.flatMap((row): JobAct[] => [
        { type: 'shim.fitted', adjuster: row.id, size: row.new },
        ...finished(row.id),
      ]),
    ];
    const wanted = (...more: JobAct[]) =>
      wantedOf(SETTING, foldJob(journal([...done, ...more])), PLAN);
    expect(wanted(read('again', null))).toMatchObject({
      step: 'round',
      ids: expect.arrayContaining([id]),
    });
    expect(wanted(read('again', targetOf(id) + 100))).toEqual({ step: 'shims', ids: [] });
  });

  it('is planned anew only once what lies open is closed, by the shims that are in by then', () => {
    const donor = shims.rows.find(({ id, from }) => from !== id && from.includes('.'));
    const { id = '', from = '', new: size = 0 } = donor ?? {};
    const given: JobAct[] = [...acts, ...taken, { type: 'shim.fitted', adjuster: id, size }];
    const wrong = { go: 100, noGo: 150, how: 'go-no-go' as const };
    given.push({ type: 'reading.taken', adjuster: id, phase: 'left', reading: wrong });
    // The shim of this bucket lies in the other: its own is to come first.
    expect(stage(given)).not.toEqual({ stage: 'plan' });
    const refilled = shims.rows.find((row) => row.id === from)?.new ?? 0;
    const unread = [...given, { type: 'shim.fitted', adjuster: from, size: refilled } as const];
    const before = rows.find((row) => row.id === from);
    const reckoned = shimRows(SETTING, foldJob(journal(unread)), PLAN);
    expect(reckoned.find((row) => row.id === from)).toMatchObject({
      old: refilled,
      measured: before!.measured + before!.old - refilled,
    });
    // What was not read since is not said to be finished.
    const stays = { ...shims, rows: [{ ...shims.rows[0]!, id: from, from }], outside: [] };
    expect(shimPlanTaken(stays, foldJob(journal(unread)))).toHaveLength(1);
  });

  it('closes what was emptied where the crank stands, though another method has it further on', () => {
    const [one, other] = ['intake.1', 'exhaust.1'];
    const swapped = rowsFor([one, 'stock'], [other, one]);
    const fitted: JobAct = { type: 'shim.fitted', adjuster: other, size: 2600 };
    const given = [...swapped, fitted];
    const further = planWith(1, one);
    const now = shimStage(SETTING.sheet, foldJob(journal(given)), further);
    expect(now).toMatchObject({ stage: 'fit', acts: [{ id: one, in: 2600 }] });
    // What is to come into it lies in a bucket further on: a stand-in until then.
    const later = rowsFor([one, 'intake.6'], [other, one], ['intake.6', 'stock']);
    const until = shimStage(SETTING.sheet, foldJob(journal([...later, fitted])), further);
    expect(until).toMatchObject({ stage: 'fit', acts: [{ id: one, in: null }] });
  });

  it('are closed before anything else is asked or barred to, and before the job is about less', () => {
    const [one, other] = ['intake.1', 'exhaust.1'];
    const fitted: JobAct = { type: 'shim.fitted', adjuster: other, size: 2600 };
    const takenBack = rowsFor([one, 'stock'], [other, one]).filter(
      (act) => !(act.type === 'reading.taken' && act.adjuster === 'intake.6'),
    );
    const given = foldJob(journal([...takenBack, fitted]));
    expect(shimsLieOpen(given)).toBe(true);
    expect(mayChooseScope(given)).toBe(false);
    // What was read at the other stop was taken back meanwhile; this bucket comes before it.
    for (const plan of [PLAN, planWith(1, one)]) {
      expect(wantedOf(SETTING, given, plan)).toMatchObject({ step: 'shims', ids: [one] });
    }
    const closed = foldJob(
      journal([...takenBack, fitted, { type: 'shim.fitted', adjuster: one, size: 2600 }]),
    );
    expect(shimsLieOpen(closed)).toBe(false);
    expect(wantedOf(SETTING, closed, PLAN)).toMatchObject({ step: 'stop', ids: ['intake.6'] });
  });

  it('are finished once begun, though another phone says that it is about none of them', () => {
    const [one, other] = ['intake.1', 'exhaust.1'];
    const begun: JobAct[] = [
      ...rowsFor([one, 'stock'], [other, one]),
      { type: 'shim.fitted', adjuster: other, size: 2600 },
    ];
    const nothingOfShims: JobAct[] = [
      { type: 'scope.chosen', checkOnly: true },
      { type: 'scope.chosen', kinds: ['injector'] },
    ];
    const standIn: JobAct = { type: 'shim.fitted', adjuster: one, size: null };
    const closed: JobAct = { type: 'shim.fitted', adjuster: one, size: 2600 };
    for (const said of nothingOfShims) {
      expect(stage([...begun, said])).toMatchObject({
        stage: 'fit',
        acts: [{ id: one, in: 2600 }],
      });
      expect(stage([...begun, standIn, said])).toMatchObject({ stage: 'fit', acts: [{ id: one }] });
      // What each bucket was left with is read, too.
      expect(shimIds(SETTING.sheet, foldJob(journal([...begun, closed, said])))).toEqual([
        one,
        other,
      ]);
      expect(shimIds(SETTING.sheet, foldJob(journal([...rowsFor([one, 'stock']), said])))).toEqual(
        [],
      );
    }
  });

  it('keep their stops, though another phone plans anew for what it is about since', () => {
    const stops = [{ at: 0, set: ['intake.1'] }];
    const begun: JobAct[] = [
      ...rowsFor(['intake.1', 'exhaust.6'], ['exhaust.6', 'stock']),
      { type: 'shim.fitted', adjuster: 'intake.1', size: null },
      { type: 'scope.chosen', kinds: ['intake'] },
      { type: 'plan.made', method: 'two-position', stops, unserved: [] },
    ];
    const state = foldJob(journal(begun));
    const ids = planned(jobPlan(SETTING, state)).stops.flatMap(({ set }) =>
      set.map(({ id }) => id),
    );
    expect(ids).toContain('exhaust.6');
    const next = instructionOf(SETTING, state, '2026-05-02T12:00:00Z');
    expect(next?.step).not.toBe('close');
  });

  it('is worked out anew where the job is about fewer of them since', () => {
    const less: JobAct = { type: 'scope.chosen', kinds: ['intake'] };
    const swapped = rowsFor(['intake.1', 'exhaust.1'], ['exhaust.1', 'stock']);
    expect(stage(swapped).stage).toBe('fit');
    expect(stage([...swapped, less])).toEqual({ stage: 'plan' });
  });

  it('come from the drawer where the bucket they were to come out of keeps its own', () => {
    const [one, other] = ['intake.1', 'exhaust.6'];
    const begun: JobAct[] = [
      ...rowsFor([one, other], [other, 'stock']),
      { type: 'shim.fitted', adjuster: one, size: null },
    ];
    const seized: JobAct = { type: 'adjuster.unset', adjuster: other, reason: 'seized' };
    expect(stage(begun).stage).toBe('bar');
    expect(stage([...begun, seized])).toMatchObject({ acts: [{ id: one, in: 2600 }] });
    expect(foldJob(journal([...begun, seized])).shims?.keptBy).toEqual({ [one]: other });
    // It was given up first, or is opened already: what lies out of it is fitted.
    const [last] = begun.splice(-1);
    expect(stage([...begun.slice(0, -1), seized, ...begun.slice(-1), last!])).toMatchObject({
      acts: [{ id: one, in: 2600 }],
    });
    const opened: JobAct = { type: 'shim.fitted', adjuster: other, size: null };
    const { shims } = foldJob(journal([...begun, last!, opened, seized]));
    expect([shims?.keptBy, shims?.rows.find(({ id }) => id === one)?.from]).toEqual([{}, other]);
    // The engine is not run with a bucket that keeps a stand-in; one that keeps its own is whole.
    const fitted: JobAct = { type: 'shim.fitted', adjuster: one, size: 2600 };
    const open = (...acts: JobAct[]) => openNow(foldJob(journal(acts)))(other);
    expect(open(...begun, last!, seized, fitted)).toBe(false);
    expect(open(...begun, last!, opened, seized, fitted)).toBe(true);
  });

  it('are asked for where buckets were only checked before, and planned then', () => {
    const checks: JobAct = { type: 'scope.chosen', checkOnly: true };
    const all: JobAct = { type: 'scope.chosen' };
    const [first, ...others] = PLAN.stops.flatMap(({ set }) => set);
    const tight = { go: 150, noGo: 200, how: 'go-no-go' as const };
    const checked: JobAct[] = [
      { type: 'reading.taken', adjuster: first!.id, phase: 'found', reading: tight },
      ...keepAsFound(first!.id).slice(1),
      ...others.flatMap(({ id }) => keepAsFound(id)),
    ];
    const acts: JobAct[] = [...START, checks, ...checked, all];
    const state = foldJob(journal(acts));
    expect(adjusterInstruction(SETTING, state, first!.id)).toMatchObject({ ask: 'shim' });
    expect(wantedOf(SETTING, state, PLAN)).toMatchObject({ step: 'stop' });
    expect(wantedOf(SETTING, state, PLAN).ids).toEqual([first!.id]);
    acts.push({ type: 'shim.found', adjuster: first!.id, size: 2500 });
    const asked = foldJob(journal(acts));
    expect(wantedOf(SETTING, asked, PLAN)).toEqual({ step: 'shims', ids: [] });
    const plan = planShims(shimRows(SETTING, asked, PLAN), supply);
    expect(stage([...acts, ...shimPlanTaken(plan, asked)]).stage).not.toBe('plan');
  });

  it('are not read while a stand-in is in, though the job only checks since', () => {
    const [one, other] = ['intake.1', 'exhaust.6'];
    const begun: JobAct[] = [
      ...rowsFor([one, other], [other, 'stock']),
      { type: 'shim.fitted', adjuster: one, size: null },
      { type: 'scope.chosen', checkOnly: true },
    ];
    const state = foldJob(journal(begun));
    expect(adjusterInstruction(SETTING, state, one)).toBeUndefined();
    expect(wantedOf(SETTING, state, PLAN).ids).not.toContain(one);
    const fitted: JobAct = { type: 'shim.fitted', adjuster: one, size: 2600 };
    const after = foldJob(journal([...begun, fitted]));
    expect(adjusterInstruction(SETTING, after, one)).toMatchObject({ do: 'read', phase: 'left' });
  });

  it('takes no shim out of a bucket that does not hold there, whatever stop it is planned at', () => {
    const moved = rowsFor(['intake.1', 'intake.6'], ['intake.6', 'stock']);
    const now = shimStage(SETTING.sheet, foldJob(journal(moved)), planWith(0, 'intake.6'));
    expect(now).toEqual({ stage: 'bar', ids: ['intake.6'] });
  });
});

/** At the first stop, everything measured and at target. */
const measuredAtFirst: JobAct[] = [...START, ...measured(0), ...barredTo(0)];

/** A plan is taken by which each of these buckets gets a shim of 2.60 mm from there; all else stays. */
function rowsFor(...pairs: [id: string, from: string][]): JobAct[] {
  const from = new Map(pairs);
  const state = foldJob(journal(measuredAtFirst));
  const rows = shimRows(SETTING, state, PLAN).map(({ id, old }) => {
    const source = from.get(id);
    return { id, old, new: source ? 2600 : old, from: source ?? id, lash: targetOf(id), sum: '' };
  });
  const plan = { rows, order: [], outside: [], buy: [] };
  return [...measuredAtFirst, ...shimPlanTaken(plan, state)];
}

/** The plan, with one of its adjusters at another of its stops. */
function planWith(stop: number, moved: string): typeof PLAN {
  const all = PLAN.stops.flatMap(({ set }) => set);
  const stops = PLAN.stops.map((each, place) => ({
    ...each,
    set: [
      ...each.set.filter(({ id }) => id !== moved),
      ...all.filter(({ id }) => place === stop && id === moved),
    ],
  }));
  return { ...PLAN, stops };
}
