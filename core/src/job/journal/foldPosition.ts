import type { CrankEntry, Observation } from '../../crank/observation';
import { concernsSame } from '../../crank/observation';
import type { ToldBy } from './events';
import { isOneOf } from './events';
import { backAtWork, clearNoMore } from './locks';
import { isBlind, planAnew } from './planAnew';
import { standsNoMore } from './standsNoMore';
import type { AdjusterState, CrankState, JobState } from './state';

/** The events of where the crank stands. */
export const isOfPosition = isOneOf(
  'rocker.felt',
  'crank.observed',
  'crank.turned',
  'crank.held',
  'work.paused',
  'rockers.loosened',
  'plan.made',
  'engine.returned',
  'position.found',
  'position.lost',
  'stop.reached',
);
export type PositionEvent = ToldBy<typeof isOfPosition>;

/**
 * What an event says of where the crank stands. What earlier versions wrote of it says nothing:
 * they took a place in a plan for a place of the crank.
 */
export function applyPosition(state: JobState, event: PositionEvent): void {
  switch (event.type) {
    case 'rocker.felt':
    case 'position.lost':
      return;
    case 'position.found':
    case 'stop.reached':
      return barredAgain(state, event.by);
    case 'rockers.loosened':
      return loosen(state, event.adjusters);
    case 'plan.made': {
      const { method, stops, unserved, moved } = event;
      const plan = { method, stops, unserved, moved };
      if (!isBlind(plan, state)) state.plan ??= plan;
      return;
    }
    default:
      return applyCrank(state, event);
  }
}

type CrankEvent = Extract<
  PositionEvent,
  { type: 'crank.observed' | 'crank.turned' | 'crank.held' | 'work.paused' | 'engine.returned' }
>;

/** Whether an event is of the crank: it names the one before it that its phone knew. */
export function isOfCrank(type: string): boolean {
  return /^(crank\.|work\.paused|engine\.returned)/.test(type);
}

function applyCrank(state: JobState, event: CrankEvent): void {
  // Earlier versions named no event before theirs, and did not tell what was turned between.
  if (event.after === undefined) return;
  const { crank } = state;
  if (event.after !== crank.last) state.crank = { ...crank, history: [] };
  state.crank = { ...state.crank, last: event.id };
  switch (event.type) {
    case 'crank.observed':
      beginAnewIfDoubted(state);
      backAtWork(state, event.by);
      if (saysNothing(state, event.observation)) return;
      state.crank = { ...state.crank, history: look(state.crank, event) };
      return;
    case 'crank.turned': {
      beginAnewIfDoubted(state);
      const { degrees, within, to, helper } = event;
      const history: CrankEntry[] =
        degrees === null ? [] : known(state.crank, { turned: { by: degrees, within } });
      const { target: _, ...crank } = state.crank;
      const turns = crank.turns + 1;
      state.crank = { ...crank, history, turns, ...(to !== undefined && { target: to }) };
      return barredAgain(state, event.by, helper);
    }
    case 'crank.held': {
      const { doubted: _, ...known } = state.crank;
      state.crank = known;
      return;
    }
    case 'work.paused':
      state.crank = { ...state.crank, doubted: 'paused' };
      return;
    case 'engine.returned':
      return backToWork(state, event.why);
  }
}

/** Whoever looks anew without saying that nobody turned it begins anew. */
function beginAnewIfDoubted(state: JobState): void {
  if (!state.crank.doubted) return;
  const { doubted: _, target: __, ...known } = state.crank;
  // It may have been turned meanwhile.
  state.crank = { ...known, history: [], turns: known.turns + 1 };
}

/** What was seen of marks that are not where they should be says nothing. */
export function forgetMarks(state: JobState): void {
  const history = state.crank.history.filter((entry) => !('seen' in entry && 'mark' in entry.seen));
  state.crank = { ...state.crank, history };
}

/** A rocker that is off says nothing by being loose or firm; nor does a mark that is doubted. */
function saysNothing(state: JobState, seen: Observation): boolean {
  if ('mark' in seen) return state.marksDoubted === true;
  const feels = 'id' in seen && (seen.state === 'loose' || seen.state === 'firm');
  return feels && isOff(state, seen.id);
}

/** Whether a rocker is off or backed off: after head work all are, until each is set. */
export function isOff({ crank, why, adjusters, scope }: JobState, id: string): boolean {
  if (crank.loosened.includes(id)) return true;
  const { locked, kept, fitted, painted, checked } = adjusters[id] ?? {};
  // What was only checked was left as it is, off as it may be.
  const isLeft = painted ? !checked : kept && !scope?.checkOnly;
  const isSetAgain = locked !== undefined || isLeft || typeof fitted === 'number';
  return why?.reason === 'head-work' && !isSetAgain;
}

/** So much of the history counts: what was seen before it could only say more, never less. */
const LONGEST_HISTORY = 1000;

/** What is known of the crank with one thing more. */
function known({ history }: Pick<CrankState, 'history'>, entry: CrankEntry): CrankEntry[] {
  return [...history.slice(1 - LONGEST_HISTORY), entry];
}

/** What is known after one more look; one that is taken back leaves, where it is not turned yet. */
function look(
  { history }: Pick<CrankState, 'history'>,
  { observation, back }: { observation: Observation; back?: boolean | undefined },
): CrankEntry[] {
  if (!back) return known({ history }, { seen: observation });
  const turned = history.findLastIndex((entry) => 'turned' in entry);
  return history.filter(
    (entry, i) => i <= turned || !('seen' in entry) || !concernsSame(entry.seen, observation),
  );
}

/** What was read, set or finished of them before says nothing of how they stand now. */
function loosen(state: JobState, adjusters: readonly string[]): void {
  const loosened = [...new Set([...state.crank.loosened, ...adjusters])];
  state.crank = { ...state.crank, loosened };
  for (const id of adjusters) {
    const adjuster: AdjusterState = { ...state.adjusters[id] };
    state.adjusters[id] = adjuster;
    standsNoMore(adjuster);
    // Over a bucket there is nothing to back off: what is in it is read again.
    if (adjuster.shim !== undefined || adjuster.fitted !== undefined) continue;
    delete adjuster.set;
    delete adjuster.locked;
    adjuster.off = true;
  }
  if (state.plan && isBlind(state.plan, state)) planAnew(state);
}

/** The crank was turned: the bar is on it, and nobody is clear of it any more. */
function barredAgain(state: JobState, ...people: (string | undefined)[]): void {
  backAtWork(state, ...people);
  delete state.barOut;
  delete state.toolsCounted;
  clearNoMore(state);
}

/** The engine runs or moves: it can start, its covers are on, and nobody knows the crank. */
function backToWork(state: JobState, why: 'hot-run' | 'bump' | 'moved'): void {
  const { last, turns, loosened } = state.crank;
  state.crank = { history: [], last, turns: turns + 1, loosened };
  state.isolations = {};
  state.undone = {};
  clearNoMore(state);
  delete state.opened;
  delete state.barOut;
  delete state.toolsCounted;
  if (why !== 'bump') {
    delete state.coldSince;
    delete state.hot;
    delete state.metal;
    const { temperature: _, ...others } = state.exempted;
    state.exempted = others;
  }
}
