import type { BarringPlan } from '../../barring/barringPlan';
import { adjustersOf } from '../../engine/adjusters';
import { specOf } from '../../engine/adjusterEntry';
import type { EngineSheet } from '../../engine/sheet';
import { judgeReading } from '../../gauging/judgeReading';
import { middleOf } from '../../gauging/reading';
import type { ShimAct } from '../../gauging/shimOrder';
import type { ShimRow } from '../../gauging/shims';
import type { JobState } from '../journal/state';

/** The adjusters that are set by a shim. */
export function shimIds(sheet: EngineSheet): string[] {
  return adjustersOf(sheet)
    .filter(({ entry }) => entry.method === 'shim')
    .map(({ id }) => id);
}

/**
 * The buckets as measured, for `planShims`: the gap by the middle of its reading. After
 * shims were fitted and read again, the shim now in and the gap left with it. Buckets that
 * cannot be set or are not measured are left out.
 */
export function shimRows(sheet: EngineSheet, state: JobState, plan: BarringPlan): ShimRow[] {
  return shimIds(sheet).flatMap((id) => {
    const { found, shim, fitted, left, unset } = state.adjusters[id] ?? {};
    const spec = specOf(sheet, id);
    const stop = plan.stops.findIndex(({ set }) => set.some((each) => each.id === id));
    const refitted = typeof fitted === 'number' && left !== undefined;
    const old = refitted ? fitted : shim;
    const gap = refitted ? left : found;
    const measured = gap && middleOf(gap);
    if (unset || !spec || old === undefined || measured === undefined || stop < 0) return [];
    return [{ id, old, measured: Math.round(measured), spec, stop }];
  });
}

/** The acts of the kept plan that are still to be done, in order. */
export function shimActsLeft(state: JobState): ShimAct[] {
  const open = state.shims?.order ?? [];
  const done = new Map<string, number>();
  for (const event of sincePlanned(state)) {
    if (event.type === 'shim.fitted') {
      done.set(event.adjuster, (done.get(event.adjuster) ?? 0) + 1);
    }
  }
  return open.filter(({ id }) => {
    const count = done.get(id) ?? 0;
    if (count > 0) done.set(id, count - 1);
    return count === 0;
  });
}

/** What the shims ask for next. */
export type ShimStage =
  /** Work out which goes where, the first time or anew. */
  | { stage: 'plan' }
  | { stage: 'bar'; stop: number }
  /** Fit these, all at the stop where the crank stands. */
  | { stage: 'fit'; acts: ShimAct[] }
  /** Read a fitted bucket again, and finish it. */
  | { stage: 'read'; id: string };

/** Where the work on the shims stands: planned, fitted stop by stop, each stop read again. */
export function shimStage(sheet: EngineSheet, state: JobState, plan: BarringPlan): ShimStage {
  const acts = shimActsLeft(state);
  const fitted = shimIds(sheet).filter((id) => {
    const adjuster = state.adjusters[id];
    const waits = acts.some((act) => act.id === id);
    return typeof adjuster?.fitted === 'number' && !adjuster.painted && !adjuster.unset && !waits;
  });
  const outside = fitted.some((id) => isOutside(sheet, state, id));
  if (!state.shims || outside || (acts.length === 0 && fitted.length === 0)) {
    return { stage: 'plan' };
  }
  const here = state.lastStop?.stop;
  const next = acts[0];
  if (next && next.stop === here) {
    return { stage: 'fit', acts: acts.slice(0, countAt(acts, here)) };
  }
  const stopOf = (id: string) => plan.stops.findIndex(({ set }) => set.some((s) => s.id === id));
  const unread = fitted.find((id) => stopOf(id) === here);
  if (unread !== undefined) return { stage: 'read', id: unread };
  return { stage: 'bar', stop: next?.stop ?? stopOf(fitted[0] as string) };
}

/** How many of the leading acts belong to one stop. */
function countAt(acts: readonly ShimAct[], stop: number): number {
  const other = acts.findIndex((act) => act.stop !== stop);
  return other < 0 ? acts.length : other;
}

function isOutside(sheet: EngineSheet, state: JobState, id: string): boolean {
  const left = state.adjusters[id]?.left;
  const spec = specOf(sheet, id);
  if (!left || !spec) return false;
  const { verdict } = judgeReading(spec, left, 'leave-inside');
  return verdict === 'tight' || verdict === 'loose';
}

function sincePlanned({ standing }: JobState) {
  const planned = standing.findLastIndex(({ type }) => type === 'shims.planned');
  return standing.slice(planned + 1);
}
