import type { Observation } from '../crank/observation';
import type { BarInstruction } from '../job/instruction/instruction';
import type { SeededRandom } from '../seededRandom';
import type { Faults, HiddenEngine } from './hiddenEngine';

/** From this way on a turn may be miscounted by a full one, degrees. */
const MISCOUNTED_FROM = 270;

/** A turn as a hand makes it: how far, what was waited for, and how far past it went unasked. */
export type HandTurn = { degrees: number; seen: Observation | undefined; past: number };

/**
 * How a hand turns as it is told: until what is to be seen comes, else by the degrees told. By
 * chance it goes past and notices, or miscounts a full turn and does not. Nothing is turned yet.
 * Undefined where what is waited for never comes.
 *
 * `turnAsTold(engine, instruction, { random, faults: { overshoot: 0.15 } })?.degrees`
 */
export function turnAsTold(
  engine: HiddenEngine,
  { sight, turned, least }: BarInstruction,
  { random, faults }: { random: SeededRandom; faults: Faults },
): HandTurn | undefined {
  const mark = sight === 'any-mark' ? engine.nextMark() : undefined;
  const seen: Observation | undefined =
    sight === 'any-mark' ? mark && { mark: mark.name, state: 'at' } : sight;
  const way = mark?.way ?? (seen ? engine.wayTo(seen, (least ?? 5) - 2) : byEye(turned, random));
  if (way === undefined) return undefined;
  const miscounted =
    (turned.degrees ?? way) >= MISCOUNTED_FROM && random.next() < (faults.miscount ?? 0) ? 360 : 0;
  const past = random.next() < (faults.overshoot ?? 0) ? random.whole(20, 200) : 0;
  return { degrees: way + miscounted + past, seen, past };
}

function byEye(
  { degrees, within = 0 }: BarInstruction['turned'],
  random: SeededRandom,
): number | undefined {
  if (degrees === null) return undefined;
  return Math.max(0, Math.round(degrees + (2 * random.next() - 1) * (within - 1)));
}
