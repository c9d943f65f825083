import { itemAt } from '../itemAt';
import * as v from 'valibot';
import { textUpTo, wholeFrom } from '../bounds';

/**
 * What a person sees or feels at the engine: a rocker that is loose or firm, a valve fully down
 * at a glance (`down`) or turned slowly until it stops going down (`peak`); a cylinder that
 * rocks at overlap or whose piston is seen or felt at its top; a mark at its pointer.
 */
export const ObservationSchema = v.union(
  [
    v.object({
      id: v.pipe(v.string(), v.regex(/^(intake|exhaust)\.\d{1,2}(\.\d{1,2})?$/)),
      state: v.picklist(['loose', 'firm', 'down', 'peak']),
    }),
    v.object({
      cylinder: wholeFrom(1, 24, 'A cylinder is a whole number from 1 to 24.'),
      state: v.picklist(['rocking', 'top']),
    }),
    v.object({ mark: textUpTo(200), state: v.literal('at') }),
  ],
  'Say what a rocker does (loose, firm, down, peak), which cylinder rocks or is at its top, or which mark is seen.',
);
export type Observation = v.InferOutput<typeof ObservationSchema>;

/** Degrees turned, forward; `null` where nobody knows how far. `within` is 10 if absent. */
export type Turned = { by: number | null; within?: number | undefined };

/** What was seen and what was turned, oldest first: all that is known of the crank. */
export type CrankEntry = { seen: Observation } | { turned: Turned };
export type CrankHistory = readonly CrankEntry[];

/** How far off a turn is where nothing else is said, degrees. */
const USUAL_WITHIN = 10;

/** Whether a later look takes the place of an earlier one: the same rocker, mark or cylinder. */
export function concernsSame(a: Observation, b: Observation): boolean {
  if ('id' in a) return 'id' in b && a.id === b.id;
  if ('cylinder' in a) return 'cylinder' in b && a.cylinder === b.cylinder;
  return 'mark' in b && a.mark === b.mark;
}

/** An observation with what the crank was turned by since, degrees. */
export type HeldObservation = {
  seen: Observation;
  /** The sum of the turns since, and of their tolerances. */
  by: number;
  within: number;
  /** Whether a turn of 270° or more lies between: it tells the crank then, not the turn. */
  turnDoubted: boolean;
  /** Whether nothing was turned since. */
  now: boolean;
};

/** From this turn on the commonest slip is to be out by a full one, degrees. */
const MISCOUNTED_FROM = 270;

/**
 * The observations that still count: none from before an unknown turn, and of two looks at the
 * same with no turn between only the second.
 */
export function heldObservations(history: CrankHistory, cycle: number): HeldObservation[] {
  const held: HeldObservation[] = [];
  let [by, within, turnDoubted, now] = [0, 0, false, true];
  // Looks at the crank as it stands between two turns, newest first.
  let looks: Observation[] = [];
  for (let i = history.length - 1; i >= 0; i--) {
    const entry = itemAt(history, i);
    if ('turned' in entry) {
      if (entry.turned.by === null) break;
      by += entry.turned.by;
      within += entry.turned.within ?? USUAL_WITHIN;
      // By then everything fits everywhere: what is older tells nothing any more.
      if (within >= cycle / 2) break;
      turnDoubted ||= Math.abs(entry.turned.by) >= MISCOUNTED_FROM;
      now = false;
      looks = [];
      continue;
    }
    const { seen } = entry;
    if (looks.some((later) => concernsSame(later, seen))) continue;
    looks.push(seen);
    held.push({ seen, by, within, turnDoubted, now });
  }
  return held.reverse();
}
