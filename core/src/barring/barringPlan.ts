import type { BarringMethod } from './methods';

export type PlanOptions = {
  method: BarringMethod;
  /** Where the crank stands, crank degrees; the plan then begins at the next stop forward. */
  startAt?: number | undefined;
  /** For `two-position`: the cylinder at whose firing TDC the first position is; 1 if absent. */
  cylinder?: number | undefined;
  /** The adjusters that are set, where it is not all of them. */
  ids?: readonly string[] | undefined;
};

/**
 * What is looked at to know the stop: a cylinder rocking at overlap, a valve fully down, or one
 * that is turned slowly until it stops going down.
 */
export type Watch =
  { cylinder: number; state: 'rocking' } | { id: string; valve: number; state: 'down' | 'peak' };

export type PlannedAdjuster = { id: string; margin: number };

/** One stop of the crank. Angles in crank degrees; `turn` is the way to it from the last. */
export type Stop = {
  at: number;
  mark?: string;
  turn: number;
  set: PlannedAdjuster[];
  /** Intake and exhaust adjusters that must feel loose here. */
  loose: string[];
  /** Intake and exhaust adjusters that must feel firm here. */
  firm: string[];
  watch?: Watch;
};

/** An adjuster that no stop serves: why, and the angle of its largest margin where known. */
export type LeftOver = { id: string; reason: string; at: number | null };

/** A conflict of the manual's chart with the model; `stop` is its place in `stops`. */
export type ChartFlag = {
  id: string;
  stop: number | null;
  margin: number | null;
  why: 'on lobe' | 'not placed' | 'placed twice';
};

/** Where the manual's chart places an adjuster that its condition does not hold at. */
export type ChartPlace = {
  id: string;
  at: number;
  mark?: string | undefined;
  watch?: Watch | undefined;
};

export type BarringPlan = {
  /** Crank degrees of one cycle. */
  cycle: number;
  stops: Stop[];
  /** The smallest margin of all adjusters set, degrees; null where none is. */
  smallestMargin: number | null;
  /** The smallest of margin minus need: the timing error the plan forgives, degrees. */
  spare: number | null;
  totalTurn: number;
  leftOver: LeftOver[];
  rule?: { sum: number };
  flags?: ChartFlag[];
  /** What is served elsewhere than the chart places it, which is off its condition. */
  moved?: ChartPlace[];
  /** The same count of stops standing at firing TDCs, and the margin that costs, degrees. */
  atFiring?: BarringPlan & { cost: number };
};
