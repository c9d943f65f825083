import { FROM_STOCK } from '../../gauging/shims';
import type { ShimAct } from '../../gauging/shimOrder';
import { isHalfDone, isUnread } from './begun';
import type { JobState } from './state';

/** What of the planned shims is where: in hand, given to another bucket, or named for one. */
export function shimsInHand({ shims }: Pick<JobState, 'shims'>) {
  const { rows = [], put = {} } = shims ?? {};
  const fromOf = new Map(rows.map(({ id, from }) => [id, from]));
  const given = new Set(
    rows.filter(({ id }) => typeof put[id] === 'number').map((row) => row.from),
  );
  /** The new shim of a bucket lies in no other one. */
  const isOut = (id: string) => {
    const from = fromOf.get(id) ?? '';
    return !fromOf.has(from) || from in put || given.has(from);
  };
  return {
    fromOf,
    /** Its shim went into another bucket, and nothing came into this one. */
    isEmpty: (id: string) => given.has(id) && !(id in put),
    isOut,
    /** A bucket that lies open gets its new shim, or a stand-in. */
    closing: (id: string): ShimAct => {
      const { old = null, new: shim = null } = rows.find((row) => row.id === id) ?? {};
      return { stop: 0, id, out: old, in: isOut(id) ? shim : null };
    },
  };
}

/**
 * A bucket that cannot be set keeps its shim: what was to come out of it comes from the drawer,
 * where it was not taken out before.
 */
export function keepShims(state: JobState): void {
  const { shims, adjusters } = state;
  if (!shims) return;
  const { isOut } = shimsInHand(state);
  const keptBy = { ...shims.keptBy };
  const rows = shims.rows.map((row) => {
    const { id, from } = row;
    if (id === from || !adjusters[from]?.unset || isOut(id)) return row;
    keptBy[id] = from;
    return { ...row, from: FROM_STOCK };
  });
  state.shims = { ...shims, rows, keptBy };
}

/** Whether a bucket has no shim, or a stand-in, and nobody has said that it cannot be set. */
export function shimsLieOpen(state: JobState): boolean {
  const { fromOf, isEmpty } = shimsInHand(state);
  return [...fromOf.keys()].some((id) => {
    const { fitted, unset } = state.adjusters[id] ?? {};
    return !unset && (fitted === null || isEmpty(id));
  });
}

/**
 * Tells of an adjuster whether it is half done or its bucket without its shim, whether or not
 * somebody said since that it cannot be set.
 */
export function openNow(state: JobState): (id: string) => boolean {
  const { isEmpty } = shimsInHand(state);
  return (id) => {
    const own = state.adjusters[id] ?? {};
    return isHalfDone(own) || own.fitted === null || isEmpty(id);
  };
}

/**
 * Tells of a bucket whether it is one of those whose shims are planned, and its work is not over:
 * while any of them lies open all are, for what comes out of one goes into another.
 */
export function shimsUnderWay(state: JobState): (id: string) => boolean {
  const planned = new Set(state.shims?.rows.map(({ id }) => id));
  const open = planned.size > 0 && shimsLieOpen(state);
  return (id) => planned.has(id) && (open || isUnread(state.adjusters[id]));
}
