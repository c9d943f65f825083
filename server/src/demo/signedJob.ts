import { createHash } from 'node:crypto';
import type {
  AdjusterEntry,
  EngineSheet,
  FoldedJob,
  JobAct,
  JobEvent,
  JobHead,
  JobState,
  Reading,
  Stop,
} from '@longbar/core';
import {
  adjusterStep,
  adjustersOf,
  closingItems,
  crankOfJob,
  cycleDegrees,
  dueActs,
  entryOf,
  figuresOf,
  foldJob,
  foldOn,
  isolationsOf,
  isRefused,
  jobPlan,
  knownTo,
  measureOf,
  readingFromFigure,
  readyItems,
  rockersToFeel,
  sequencesOf,
  sheetForTag,
  standingReading,
  torqueSteps,
  unreadOf,
  wrap,
} from '@longbar/core';
import type { DemoMachine } from './yard';
import type { DemoNoise } from './demoNoise';
import { demoNoise } from './demoNoise';
import { BLADE_SETS, SHOP } from './yard';

type PastJob = DemoMachine['jobs'][number];

/** A UUID that is the same for the same words. */
function idOf(...words: unknown[]): string {
  const hex = createHash('sha256').update(words.join(' ')).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** A whole signed job as its journal would tell it, each act half a minute after the last. */
export function signedJob(
  machine: DemoMachine,
  past: PastJob,
  now: Date,
): { head: JobHead; events: JobEvent[]; clips: DemoNoise['clip'][] } {
  const id = idOf(machine.id, 'job', past.daysAgo);
  const begun = new Date(now.getTime() - past.daysAgo * 86_400_000);
  // In the morning, by the clock of the machine that shows the demo.
  begun.setHours(7, 40, 0, 0);
  const head: JobHead = {
    id,
    machine: machine.id,
    method: 'two-position',
    sheetRevision: 1,
    at: begun.toISOString(),
    by: past.by,
  };
  const events: JobEvent[] = [];
  let job: FoldedJob | undefined;
  const record = (act: JobAct) => {
    const n = events.length + 1;
    const at = new Date(begun.getTime() + n * 30_000).toISOString();
    job = foldOn(job, [...events]);
    const known = knownTo(job.state, act);
    events.push({ ...act, ...known, id: idOf(id, n), job: id, n, at, by: past.by });
  };
  const clips: DemoNoise['clip'][] = [];
  const hear = (when: 'before' | 'after') => {
    if (past.symptom === undefined) return;
    const { found, left } = past.worn;
    const [speed, gaps] = when === 'before' ? [668, found] : [675, left];
    const { clip, heard } = demoNoise(machine.sheet.document, { speed, gaps, clip: clips.length });
    clips.push(clip);
    const { sha256, type } = clip;
    record({ type: 'noise.heard', when, heard, attachments: [{ sha256, type }] });
  };
  workThrough(machine, past, head, events, record, hear);
  return { head, events, clips };
}

function workThrough(
  machine: DemoMachine,
  past: PastJob,
  head: JobHead,
  events: readonly JobEvent[],
  record: (act: JobAct) => void,
  hear: (when: 'before' | 'after') => void,
): void {
  const sheet = sheetForTag(machine.sheet.document, machine.tag);
  const isolations = isolationsOf(sheet);
  const { symptom } = past;
  record({
    type: 'why.noted',
    reason: symptom === undefined ? 'interval' : 'symptom',
    ...(symptom !== undefined && { symptom }),
  });
  hear('before');
  if (sheet.variants?.length) {
    const tag = machine.tag ?? '';
    record({ type: 'tag.read', tag, figures: figuresOf(machine.sheet.document, tag) });
  }
  getReady(sheet, head, record);
  record({ type: 'hours.read', hours: past.hours });
  isolations.forEach(({ id }) => record({ type: 'isolation.done', isolation: id }));
  record({ type: 'lock.hung' });
  record({ type: 'opening.done' });
  runDown(sheet, 'first', record);
  const setting = { head, sheet, policy: SHOP.policy };
  findByPeak(sheet, record);
  dueActs(setting, foldJob(events)).forEach(record);
  const plan = jobPlan(setting, foldJob(events));
  if (isRefused(plan)) throw new Error(plan.says);
  plan.stops.forEach(({ set, ...stop }) => {
    barTo(sheet, stop, foldJob(events), record);
    set.forEach(({ id }) => setOne(id));
  });
  plan.stops.forEach(({ set, ...stop }) => {
    barTo(sheet, stop, foldJob(events), record);
    const unread = unreadOf(setting, foldJob(events), plan.stops);
    for (const { id } of set.filter((each) => unread.includes(each.id))) {
      const left = standingReading(foldJob(events).adjusters[id]);
      if (left) read(id, 'again', { go: left.go, noGo: left.noGo, how: left.how });
    }
  });
  record({ type: 'round.done' });
  closingItems(sheet, foldJob(events)).forEach(({ id }) =>
    record({ type: 'closing.done', item: id }),
  );
  runDown(sheet, 'close', record);
  record({ type: 'bar.out' });
  record({ type: 'clear.said', person: past.by });
  record({ type: 'tools.counted' });
  isolations.forEach(({ id }) => record({ type: 'isolation.undone', isolation: id }));
  hear('after');
  record({
    type: 'run.noted',
    ran: true,
    leaks: false,
    ...(symptom !== undefined && { symptomGone: true }),
  });
  if (past.note !== undefined) record({ type: 'machine.noted', text: past.note });
  record({ type: 'job.signed', name: past.by });

  function read(adjuster: string, phase: 'found' | 'left' | 'again', reading: Reading) {
    record({ type: 'reading.taken', adjuster, phase, reading, bladeSet: BLADE_SETS[0]?.name });
  }
  function setOne(adjuster: string) {
    const entry = entryOf(sheet, adjuster);
    const spec = entry?.spec;
    const torque = entry?.locknut?.torque;
    const lock = () =>
      record({ type: 'adjuster.locked', adjuster, how: 'torque', ...(torque && { torque }) });
    const { found, left } = past.worn;
    if (spec) {
      read(adjuster, 'found', readingOf(entry, found[adjuster] ?? spec.target));
      const state = foldJob(events).adjusters[adjuster];
      if (adjusterStep(state, { ...entry, spec }, SHOP.policy).step === 'keep') {
        record({ type: 'adjuster.kept', adjuster });
      } else {
        lock();
        read(adjuster, 'left', readingOf(entry, left[adjuster] ?? spec.target));
      }
    } else lock();
    record({ type: 'adjuster.painted', adjuster });
  }
}

/** The crank found by a valve that is turned slowly until it stops going down. */
function findByPeak(sheet: EngineSheet, record: (act: JobAct) => void): void {
  const valve = adjustersOf(sheet).find(({ kind, peak }) => kind === 'intake' && peak);
  if (!valve) throw new Error(`The sheet of ${sheet.name} has no intake valve.`);
  record({ type: 'crank.observed', observation: { id: valve.id, state: 'peak' } });
}

/** Barred to a stop: its mark seen where it has one, and the rockers felt. */
function barTo(
  sheet: EngineSheet,
  { at, mark }: Pick<Stop, 'at' | 'mark'>,
  state: JobState,
  record: (act: JobAct) => void,
): void {
  const { span } = crankOfJob(sheet, state);
  const cycle = cycleDegrees(sheet);
  const way = span ? wrap(at - span.from - span.length / 2, cycle) : cycle;
  const degrees = Math.round(way) || cycle;
  record({ type: 'crank.turned', degrees, within: 15, to: at, how: 'barred' });
  if (mark !== undefined) {
    record({ type: 'crank.observed', observation: { mark, state: 'at' } });
  }
  const { loose, firm } = rockersToFeel(sheet, at);
  for (const [ids, felt] of [
    [loose, 'loose'],
    [firm, 'firm'],
  ] as const) {
    ids.forEach((id) => record({ type: 'crank.observed', observation: { id, state: felt } }));
  }
}

/** The temperature, and what is laid out. */
function getReady(sheet: EngineSheet, head: JobHead, record: (act: JobAct) => void): void {
  const before = (minutes: number) =>
    new Date(Date.parse(head.at) - minutes * 60_000).toISOString();
  if (sheet.temperature?.state === 'hot') {
    record({ type: 'hot.stated', stopped: before(4), ran: 60 });
  } else record({ type: 'cold.stated', since: before(14 * 60) });
  readyItems(sheet).forEach(({ id }) => record({ type: 'ready.done', item: id }));
}

function runDown(sheet: EngineSheet, when: 'first' | 'close', record: (act: JobAct) => void): void {
  for (const sequence of sequencesOf(sheet, when)) {
    for (const { stage, fastener } of torqueSteps(sequence)) {
      record({ type: 'torque.done', sequence: sequence.id, stage, fastener });
    }
  }
}

/** Thin blades stacked tell a gap to this, µm. */
const STACKED = 20;

/** What a gap of so many µm reads: between two stacks, or the figure off a gauge. */
function readingOf(entry: AdjusterEntry, gap: number): Reading {
  const measure = measureOf(entry);
  const figure = Math.round(gap / 10) * 10;
  if (measure !== 'lash')
    return readingFromFigure(figure, measure === 'height' ? 'gauge' : 'wrench');
  const go = Math.floor(gap / STACKED) * STACKED;
  return { go, noGo: go + STACKED, how: 'go-no-go' };
}
