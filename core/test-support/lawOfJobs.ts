import type { EngineSheet, JobOutcome, JobScope, JobState, KnownEvent, Reading } from '../src';
import {
  adjustersOf,
  isBegun,
  cycleDegrees,
  foldJob,
  holdsAt,
  isInScope,
  isKnown,
  isolationsOf,
  leftOutside,
  marginAt,
  settingOf,
  standingReading,
} from '../src';
import { openNow, shimsLieOpen } from '../src/job/journal/shimsInHand';
import { apart } from '../src/engine/angle';
import { setting } from './journal';

export type Broken = { law: string; what: string; at: number };

/** What a job did that no job may do, and the smallest margin at which anything was done. */
export function brokenLaws(
  sheet: EngineSheet,
  start: number,
  { events, log, left, outcome }: JobOutcome,
): { broken: Broken[]; worst: number; acts: number } {
  const cycle = cycleDegrees(sheet);
  const adjusters = new Map(adjustersOf(sheet).map((adjuster) => [adjuster.id, adjuster]));
  const broken: Broken[] = [];
  let crank = start;
  let worst = Infinity;
  const marked = new Set<string>();
  // Where somebody said that it may be set though the model does not say so.
  const placed = new Map<string, { at: number; within: number }>();
  const state = foldJob(events);
  const told = toldOtherwise(state, log, left).filter(({ what }) => !placedIn(log).has(what));
  broken.push(...told.map((each) => ({ ...each, at: start })));
  const inScope = (id: string) => isInScope(state, id);
  const scopes = scopesOf(events);
  // What is backed off is set, whatever the job is about.
  const off = new Set(
    events.filter(isKnown).flatMap((e) => (e.type === 'rockers.loosened' ? e.adjusters : [])),
  );
  for (const entry of log) {
    if ('bar' in entry) crank = (crank + entry.bar) % cycle;
    if ('mark' in entry) marked.add(entry.mark);
    if ('placed' in entry)
      placed.set(entry.placed, {
        at: entry.stop ?? crank,
        within: entry.stop === undefined ? 0 : AT_STOP,
      });
    const id = 'read' in entry ? entry.read : 'set' in entry ? entry.set : undefined;
    const adjuster = id === undefined ? undefined : adjusters.get(id);
    if (!adjuster) continue;
    const isAsked = (scope: JobScope) =>
      isInScope({ scope }, adjuster.id) && !('set' in entry && scope.checkOnly);
    if (!scopes.some(isAsked) && !off.has(adjuster.id))
      broken.push({ law: 'not part of this job', what: adjuster.id, at: crank });
    const said = placed.get(adjuster.id);
    if (said && apart(crank, said.at, cycle) <= said.within) continue;
    const need = 'need' in adjuster.place ? adjuster.place.need : 0;
    worst = Math.min(worst, (marginAt(adjuster, crank, cycle) ?? -Infinity) - need);
    if (!holdsAt(adjuster, crank, cycle))
      broken.push({ law: 'off its place', what: adjuster.id, at: crank });
  }
  const isolated = new Set<string>();
  const unset = new Set<string>();
  const locked = new Set<string>();
  let covered = false;
  const known = events.filter(isKnown);
  const byId = new Map(known.map((event) => [event.id, event]));
  const stands = new Set([...state.standing].map(({ id }) => id));
  for (const event of known) {
    // What is taken back holds no longer from here on; what was done before, was done behind it.
    const back = event.type === 'event.undone' ? byId.get(event.target) : undefined;
    if (back?.type === 'isolation.done' || back?.type === 'isolation.exempted')
      isolated.delete(back.isolation);
    if (back?.type === 'isolation.undone') isolated.add(back.isolation);
    if (back?.type === 'lock.hung') locked.delete(back.by);
    if (back?.type === 'closing.done') covered = false;
    if (event.type === 'isolation.done' || event.type === 'isolation.exempted')
      isolated.add(event.isolation);
    if (event.type === 'adjuster.unset' && stands.has(event.id)) unset.add(event.adjuster);
    if (event.type === 'adjuster.resumed') unset.delete(event.adjuster);
    if (event.type === 'lock.hung') locked.add(event.by);
    if (event.type === 'clear.said' && event.person === event.by) locked.delete(event.by);
    const isSaid = event.type === 'adjuster.resumed';
    const handsIn = event.type === 'crank.turned' || ('adjuster' in event && !isSaid);
    if (event.type === 'closing.done') covered = true;
    if (event.type === 'opening.done') covered = false;
    if (handsIn && covered)
      broken.push({ law: 'hands in below the covers', what: event.type, at: crank });
    if (event.type === 'isolation.undone') isolated.delete(event.isolation);
    if (handsIn && !locked.has(event.by))
      broken.push({ law: 'hands in without a lock', what: event.type, at: crank });
    if (event.type === 'isolation.undone' && locked.size > 0)
      broken.push({ law: 'able to start under a lock', what: [...locked].join(), at: crank });
    if (event.type !== 'crank.turned') continue;
    if (isolationsOf(sheet).some(({ id }) => !isolated.has(id)))
      broken.push({ law: 'barred before isolation', what: event.id, at: crank });
  }
  broken.push(...shimsAstray(events).map((each) => ({ ...each, at: crank })));
  broken.push(...ranTooSoon(events).map((each) => ({ ...each, at: crank })));
  broken.push(...closedTooSoon(events).map((each) => ({ ...each, at: crank })));
  broken.push(...plannedForEver(events).map((each) => ({ ...each, at: crank })));
  if (outcome === 'stuck')
    broken.push({ law: 'stuck', what: String(events[events.length - 1]?.type), at: crank });
  else {
    for (const [id, { entry }] of adjusters) {
      if (isBegun(state.adjusters[id]))
        broken.push({ law: 'begun and not finished', what: id, at: crank });
      if (!inScope(id) || (state.scope?.checkOnly && !entry.spec)) continue;
      if (!marked.has(id) && !unset.has(id)) broken.push({ law: 'forgotten', what: id, at: crank });
    }
    const outside = leftOutside(settingOf({ ...setting, sheet }, state).sheet, state);
    if (unset.size + outside.length > 0 !== (outcome === 'incomplete'))
      broken.push({ law: 'signed as it is not', what: outcome, at: crank });
  }
  return { broken, worst, acts: events.length };
}

/** So far from its angle the crank may stand at a stop, degrees. */
const AT_STOP = 45;

/** A hand pulls the same gap a little differently each time, µm. */
const FEEL = 5;

/** What somebody set where the model does not say that it may be: on its lobe no gap can be read. */
function placedIn(log: JobOutcome['log']): ReadonlySet<string> {
  return new Set(log.flatMap((entry) => ('placed' in entry ? [entry.placed] : [])));
}

/** What the record says of how an adjuster was found and left, held against the engine. */
function toldOtherwise(
  { adjusters }: JobState,
  log: JobOutcome['log'],
  left: JobOutcome['left'],
): { law: string; what: string }[] {
  const first = new Map<string, Pick<Reading, 'go' | 'noGo'>>();
  for (const entry of log) {
    if ('read' in entry && entry.phase === 'found' && !first.has(entry.read))
      first.set(entry.read, entry);
  }
  return Object.entries(adjusters).flatMap(([id, own]) => {
    const [found, then, last] = [own.found, first.get(id), standingReading(own)];
    const gap = left[id];
    const isFound = !found || !then || overlap(found, then);
    const isLeft = !last || own.unset || gap === undefined || overlap(last, { go: gap, noGo: gap });
    return [
      ...(isFound ? [] : [{ law: 'found otherwise than told', what: id }]),
      ...(isLeft ? [] : [{ law: 'left otherwise than told', what: id }]),
    ];
  });
}

function overlap(a: Pick<Reading, 'go' | 'noGo'>, b: Pick<Reading, 'go' | 'noGo'>): boolean {
  return a.go - FEEL <= (b.noGo ?? Infinity) && b.go - FEEL <= (a.noGo ?? Infinity);
}

/** What was half done, or without its shim, when the engine ran, and nobody said that it may. */
function ranTooSoon(events: JobOutcome['events']): { law: string; what: string }[] {
  return events.flatMap((event, i) => {
    const runs = event.type === 'run.noted' ? event.ran === true : event.type === 'engine.returned';
    if (!runs) return [];
    const known = events.slice(0, i).filter(isKnown);
    const before = foldJob(known);
    // Whoever says why it may be run says so of what had been said until then.
    const excused = known.findLastIndex(
      (one) => one.type === 'gate.exempted' && one.gate === 'run',
    );
    const stands = new Set([...before.standing].map(({ id }) => id));
    const since = known.slice(excused + 1).filter(({ id }) => stands.has(id));
    const warned = since.filter((one) => saysNotToRun(before, one));
    const givenUp = new Set(
      since.flatMap((one) => (one.type === 'adjuster.unset' ? [one.adjuster] : [])),
    );
    const open = Object.keys(before.adjusters)
      .filter(openNow(before))
      .filter((id) => {
        const { unset } = before.adjusters[id] ?? {};
        return !unset || (unset.mayRun !== true && givenUp.has(id));
      });
    return [
      ...open.map((what) => ({ law: 'run with open work', what })),
      ...warned.map(({ id }) => ({
        law: 'run though somebody said that it must not be',
        what: id,
      })),
    ];
  });
}

/** Whether it was said with this, and holds still, that the engine must not be run. */
function saysNotToRun({ adjusters, answers }: JobState, event: KnownEvent): boolean {
  if (event.type === 'question.answered') return answers[event.question]?.mayRun === false;
  if (event.type !== 'adjuster.unset') return false;
  return event.mayRun === false && adjusters[event.adjuster]?.unset?.mayRun === false;
}

/** What was begun and not finished, or lay open, when something of closing up was done. */
function closedTooSoon(events: JobOutcome['events']): { law: string; what: string }[] {
  return events.flatMap(({ type }, i) => {
    if (type !== 'closing.done') return [];
    const before = foldJob(events.slice(0, i));
    const begun = Object.keys(before.adjusters).filter((id) => isBegun(before.adjusters[id]));
    const open = shimsLieOpen(before) ? ['shims'] : [];
    return [...begun, ...open].map((what) => ({ law: 'closed over open work', what }));
  });
}

/** Shims that were planned, and planned again, with nothing done between. */
function plannedForEver(events: JobOutcome['events']): { law: string; what: string }[] {
  const inARow = events.filter(
    ({ type }, i) => type === 'shims.planned' && events[i - 1]?.type === type,
  );
  return inARow.map(({ id }) => ({ law: 'planned again and again', what: id }));
}

/** What the job was about, from its beginning on. */
function scopesOf(events: JobOutcome['events']): JobScope[] {
  const told = events.filter(isKnown).filter((event) => event.type === 'scope.chosen');
  return events[0]?.type === 'scope.chosen' ? told : [{}, ...told];
}

/**
 * Shims fitted from another bucket that had come out of none, and buckets that were left empty, by
 * the time the crank was barred: all of one place are changed before it is. At the end none is left
 * with a stand-in, or empty.
 */
function shimsAstray(events: JobOutcome['events']): { law: string; what: string }[] {
  const astray: { law: string; what: string }[] = [];
  const within = new Map<string, number | null>();
  const out: number[] = [];
  let taken: { adjuster: string; size: number }[] = [];
  let from = new Map<string, string>();
  const emptied = new Set<string>();
  const kept = new Set<string>();
  for (const event of events) {
    if (!isKnown(event)) continue;
    if (event.type === 'shim.found') within.set(event.adjuster, event.size);
    if (event.type === 'shims.planned') from = new Map(event.rows.map((row) => [row.id, row.from]));
    if (event.type === 'crank.turned') {
      for (const { adjuster, size } of taken) {
        const lies = out.indexOf(size);
        if (lies < 0) astray.push({ law: 'a shim from nowhere', what: `${adjuster} ${size}` });
        else out.splice(lies, 1);
      }
      taken = [];
      for (const what of emptied) astray.push({ law: 'barred with a shim out', what });
    }
    // What cannot be set keeps its shim; what was to get it gets one like it.
    if (event.type === 'adjuster.unset') kept.add(event.adjuster);
    if (event.type !== 'shim.fitted') continue;
    const { adjuster, size } = event;
    kept.delete(adjuster);
    const before = within.get(adjuster);
    if (typeof before === 'number') out.push(before);
    within.set(adjuster, size);
    emptied.delete(adjuster);
    const source = from.get(adjuster) ?? '';
    if (size === null || ['stock', 'buy'].includes(source) || kept.has(source)) continue;
    taken.push({ adjuster, size });
    if (within.get(source) === size) emptied.add(source);
  }
  const open = [...within].filter(([id, size]) => size === null || emptied.has(id));
  return [...astray, ...open.map(([what]) => ({ law: 'closed over no shim', what }))];
}
