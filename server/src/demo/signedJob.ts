import { createHash } from 'node:crypto';
import type { JobAct, JobEvent, JobHead, Reading, Spec } from '@longbar/core';
import {
  adjusterStep,
  bladeFor,
  closingItems,
  foldJob,
  isolationsOf,
  isRefused,
  jobPlan,
  layOutBlades,
  specOf,
  standingReading,
} from '@longbar/core';
import type { DemoMachine } from './yard';
import { BLADE_SETS, SHOP } from './yard';

type PastJob = DemoMachine['jobs'][number];

/** A UUID that is the same for the same words. */
function idOf(...words: unknown[]): string {
  const hex = createHash('sha256').update(words.join(' ')).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** A whole signed job as its journal would tell it, each act two minutes after the last. */
export function signedJob(
  machine: DemoMachine,
  past: PastJob,
  now: Date,
): { head: JobHead; events: JobEvent[] } {
  const id = idOf(machine.id, 'job', past.daysAgo);
  const begun = new Date(now.getTime() - past.daysAgo * 86_400_000);
  begun.setUTCHours(7, 40, 0, 0);
  const head: JobHead = {
    id,
    machine: machine.id,
    method: 'two-position',
    sheetRevision: 1,
    at: begun.toISOString(),
    by: past.by,
  };
  const events: JobEvent[] = [];
  const record = (act: JobAct) => {
    const n = events.length + 1;
    const at = new Date(begun.getTime() + n * 120_000).toISOString();
    events.push({ ...act, id: idOf(id, n), job: id, n, at, by: past.by });
  };
  workThrough(machine, past, head, events, record);
  return { head, events };
}

function workThrough(
  machine: DemoMachine,
  past: PastJob,
  head: JobHead,
  events: readonly JobEvent[],
  record: (act: JobAct) => void,
): void {
  const sheet = machine.sheet.document;
  const isolations = isolationsOf(sheet);
  record({ type: 'why.noted', reason: 'interval' });
  const evening = new Date(Date.parse(head.at) - 14 * 3_600_000).toISOString();
  record({ type: 'cold.stated', since: evening });
  record({ type: 'hours.read', hours: past.hours });
  isolations.forEach(({ id }) => record({ type: 'isolation.done', isolation: id }));
  record({ type: 'opening.done' });
  record({ type: 'position.found', angle: 0 });
  const plan = jobPlan({ head, sheet, policy: SHOP.policy }, foldJob(events));
  if (isRefused(plan)) throw new Error(plan.refused);
  plan.stops.forEach(({ set }, stop) => {
    record({ type: 'stop.reached', stop, round: false });
    set.forEach(({ id }, place) => setOne(id, specOf(sheet, id), past.drift * (1 + place / 4)));
  });
  plan.stops.forEach(({ set }, stop) => {
    record({ type: 'stop.reached', stop, round: true });
    const first = set[0]?.id;
    const left = first && standingReading(foldJob(events).adjusters[first]);
    if (first && left) read(first, 'again', { go: left.go, noGo: left.noGo, how: left.how });
  });
  record({ type: 'round.done' });
  closingItems(sheet, foldJob(events)).forEach(({ id }) =>
    record({ type: 'closing.done', item: id }),
  );
  record({ type: 'bar.out' });
  record({ type: 'clear.said', person: past.by });
  record({ type: 'tools.counted' });
  isolations.forEach(({ id }) => record({ type: 'isolation.undone', isolation: id }));
  record({ type: 'run.noted', ran: true, leaks: false });
  record({ type: 'job.signed', name: past.by });

  function read(adjuster: string, phase: 'found' | 'left' | 'again', reading: Reading) {
    record({ type: 'reading.taken', adjuster, phase, reading, bladeSet: BLADE_SETS[0]?.name });
  }

  function setOne(adjuster: string, spec: Spec | undefined, closed: number) {
    if (!spec) return;
    read(adjuster, 'found', readingAt(spec, spec.target - closed));
    const state = foldJob(events).adjusters[adjuster];
    if (adjusterStep(state, { spec }, SHOP.policy).step === 'keep') {
      record({ type: 'adjuster.kept', adjuster });
    } else {
      record({ type: 'adjuster.locked', adjuster, how: 'torque', torque: 46 });
      read(adjuster, 'left', readingAt(spec, spec.target));
    }
    record({ type: 'adjuster.painted', adjuster });
  }
}

/** The interval a gap of `lash` µm gives with the blades laid out for this spec. */
function readingAt(spec: Spec, lash: number): Reading {
  const laid = layOutBlades(BLADE_SETS[0] as (typeof BLADE_SETS)[number], spec);
  const nominal = bladeFor(laid, spec.target)?.size ?? spec.target;
  const sizes = laid.map(({ size }) => size);
  const go = lash === spec.target ? nominal : Math.max(0, ...sizes.filter((size) => size <= lash));
  return { go, noGo: sizes.find((size) => size > go) ?? null, how: 'go-no-go' };
}
