import type { EngineSheet, FoldedJob, JobAct, JobEvent, JobHead, JobSetting } from '../src';
import {
  closingItems,
  dueActs,
  foldJob,
  foldOn,
  isRefused,
  jobPlan,
  knownTo,
  settingOf,
  sheetForTag,
} from '../src';
import { inlineSix } from './engines';

export const JOB = '00000000-0000-4000-8000-000000000001';

/** A UUID made from a number. */
export function uuid(n: number): string {
  return `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
}

/** A journal of these acts, a minute apart. */
export function journal(acts: readonly JobAct[], by = 'Ina'): JobEvent[] {
  let job: FoldedJob = { events: [], state: foldJob([]) };
  for (const [i, act] of acts.entries()) {
    const event: JobEvent = {
      ...act,
      ...knownTo(job.state, act),
      id: uuid(100 + i),
      job: JOB,
      n: i + 1,
      at: new Date(Date.UTC(2026, 4, 2, 8, i)).toISOString(),
      by,
    };
    job = foldOn(job, [...job.events, event]);
  }
  return [...job.events];
}

/** The mark at its pointer and the four rockers that tell the turn, as a person finds them. */
export function foundAtMark(at: 0 | 360 = 0): JobAct[] {
  const [fires, mate] = at === 0 ? [1, 6] : [6, 1];
  const feel = (cylinder: number, state: 'loose' | 'firm'): JobAct[] =>
    ['intake', 'exhaust'].map((kind) => ({
      type: 'crank.observed',
      observation: { id: `${kind}.${cylinder}`, state },
    }));
  const mark: JobAct = { type: 'crank.observed', observation: { mark: 'I', state: 'at' } };
  return [mark, ...feel(fires, 'loose'), ...feel(mate, 'firm')];
}

/** Barred a full turn on to the same mark, and felt there. */
export function barredTo(at: 0 | 360): JobAct[] {
  return [
    { type: 'crank.turned', degrees: 360, within: 14, to: at, how: 'barred' },
    ...foundAtMark(at),
  ];
}

export const head: JobHead = {
  id: JOB,
  machine: uuid(2),
  method: 'two-position',
  sheetRevision: 1,
  at: '2026-05-02T08:00:00.000Z',
  by: 'Ina',
};

export const setting: JobSetting = {
  head,
  sheet: sheetForTag(inlineSix(), undefined),
  policy: 'leave-inside',
};

/** The same job on another engine, whose tag nobody has read. */
export function settingOn(sheet: EngineSheet): JobSetting {
  return settingOf({ ...setting, sheet }, {});
}

const inside = { intake: { go: 300, noGo: 350 }, exhaust: { go: 550, noGo: 600 } } as const;

/** Reads an adjuster inside its limits, keeps it and puts the dab on. */
export function keepAsFound(adjuster: string): JobAct[] {
  const reading = {
    ...inside[adjuster.startsWith('intake') ? 'intake' : 'exhaust'],
    how: 'go-no-go' as const,
  };
  return [
    { type: 'reading.taken', adjuster, phase: 'found', reading },
    { type: 'adjuster.kept', adjuster },
    { type: 'adjuster.painted', adjuster },
  ];
}

export function readAgain(adjuster: string): JobAct {
  const reading = {
    ...inside[adjuster.startsWith('intake') ? 'intake' : 'exhaust'],
    how: 'go-no-go' as const,
  };
  return { type: 'reading.taken', adjuster, phase: 'again', reading };
}

/** Every act of a whole job on the six, in the order of the work. */
export function wholeJob(foundAt: 0 | 360 = 0): JobAct[] {
  const acts: JobAct[] = [
    { type: 'why.noted', reason: 'interval' },
    { type: 'cold.stated', since: '2026-05-01T18:00:00.000Z' },
    { type: 'hours.read', hours: 6612 },
    { type: 'isolation.done', isolation: 'battery' },
    { type: 'isolation.exempted', isolation: 'fuel', reason: 'Gravity tank drained' },
    { type: 'lock.hung' },
    { type: 'opening.done' },
    ...foundAtMark(foundAt),
  ];
  acts.push(...dueActs(setting, foldJob(journal(acts))));
  const plan = jobPlan(setting, foldJob(journal(acts)));
  if (isRefused(plan)) throw new Error(plan.says);
  plan.stops.forEach(({ at, set }, stop) => {
    if (stop > 0) acts.push(...barredTo(at as 0 | 360));
    acts.push(...set.flatMap(({ id }) => keepAsFound(id)));
  });
  plan.stops.forEach(({ at, set }) => {
    acts.push(...barredTo(at as 0 | 360));
    const kinds = ['intake', 'exhaust'].map((kind) => set.find(({ id }) => id.startsWith(kind)));
    kinds.forEach((each) => each && acts.push(readAgain(each.id)));
  });
  acts.push({ type: 'round.done' });
  acts.push(
    ...closingItems(setting.sheet, foldJob(journal(acts))).map(({ id }): JobAct => ({
      type: 'closing.done',
      item: id,
    })),
  );
  acts.push({ type: 'bar.out' }, { type: 'clear.said', person: 'Ina' });
  acts.push({ type: 'tools.counted' }, { type: 'isolation.undone', isolation: 'battery' });
  acts.push({ type: 'run.noted', ran: true, leaks: false }, { type: 'job.signed', name: 'Ina' });
  return acts;
}

const anyReading = { go: 300, noGo: 350, how: 'go-no-go' } as const;

/** One act of every type but the undoing, none of which ends the job before its end. */
export const EVERY_ACT: JobAct[] = [
  { type: 'why.noted', reason: 'symptom', symptom: 'tick' },
  { type: 'scope.chosen', kinds: ['intake', 'exhaust'] },
  { type: 'cold.stated', since: '2026-05-01T18:00:00.000Z' },
  { type: 'hot.stated', stopped: '2026-05-02T07:00:00.000Z', ran: 40 },
  { type: 'tag.read', tag: 'B7' },
  { type: 'ready.done', item: 'tools' },
  { type: 'hours.read', hours: 6612 },
  { type: 'isolation.done', isolation: 'battery' },
  { type: 'isolation.exempted', isolation: 'fuel', reason: 'drained' },
  { type: 'lock.hung' },
  { type: 'opening.noted', what: 'Ground wire', from: 'rear bolt' },
  { type: 'opening.done' },
  { type: 'torque.done', sequence: 'head', stage: 0, fastener: 3 },
  { type: 'rocker.felt', adjuster: 'intake.1', state: 'loose' },
  { type: 'crank.observed', observation: { id: 'intake.1', state: 'loose' } },
  { type: 'crank.turned', degrees: 120, within: 12, to: 120, how: 'barred', helper: 'Orla' },
  { type: 'crank.held' },
  { type: 'work.paused', minutes: 12 },
  { type: 'rockers.loosened', adjusters: ['intake.5'] },
  { type: 'plan.made', method: 'each', stops: [{ at: 0, mark: 'I', set: [] }], unserved: [] },
  { type: 'metal.read', celsius: 21 },
  { type: 'gate.exempted', gate: 'temperature', reason: 'Cold since the strike' },
  { type: 'rotation.stated', sense: 'clockwise', seenFrom: 'front' },
  { type: 'method.changed', method: 'each' },
  { type: 'engine.returned', why: 'bump' },
  { type: 'position.found', angle: 0 },
  { type: 'stop.reached', stop: 0, round: false },
  { type: 'reading.taken', adjuster: 'intake.1', phase: 'found', reading: anyReading },
  { type: 'question.answered', question: 'intake.1 300–350 swap', answer: 'looked' },
  { type: 'adjuster.kept', adjuster: 'intake.1' },
  { type: 'adjuster.locked', adjuster: 'intake.2', how: 'feel' },
  { type: 'adjuster.painted', adjuster: 'intake.2' },
  { type: 'adjuster.unset', adjuster: 'intake.3', reason: 'seized', note: 'soaked' },
  { type: 'adjuster.doubted', adjuster: 'intake.4' },
  { type: 'adjuster.placed', adjuster: 'brake.1', reason: 'By the manual, page 9' },
  { type: 'shim.found', adjuster: 'exhaust.1', size: 2600 },
  {
    type: 'shims.planned',
    rows: [{ id: 'exhaust.1', old: 2600, new: 2500, from: 'stock', lash: 270, sum: '2.60 + 0.17' }],
    buy: [],
    outside: [],
    order: [{ stop: 0, id: 'exhaust.1', out: 2600, in: 2500 }],
  },
  { type: 'shim.fitted', adjuster: 'exhaust.1', size: 2500 },
  { type: 'round.done' },
  { type: 'position.lost' },
  { type: 'closing.done', item: 'faces' },
  { type: 'bar.out' },
  { type: 'clear.said', person: 'Ina' },
  { type: 'tools.counted' },
  { type: 'isolation.undone', isolation: 'battery' },
  { type: 'run.noted', ran: true, leaks: false, symptomGone: true },
  { type: 'machine.noted', text: 'Odd bolt at the rear' },
  { type: 'job.handed', to: 'Orla' },
  { type: 'record.amended', text: 'The gasket was kept after all' },
  { type: 'job.abandoned', reason: 'Begun on the wrong machine' },
  { type: 'job.signed', name: 'Ina' },
];
