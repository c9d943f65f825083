import type { Adjuster } from '../engine/adjusters';
import { adjustersOf } from '../engine/adjusters';
import { ANGLE_TOLERANCE, apart, wrap } from '../engine/angle';
import { marginsByDegree } from '../engine/arc';
import type { Firing } from '../engine/firing';
import { firingOf } from '../engine/firing';
import { lobeOf } from '../engine/lobes';
import { isTelling } from '../engine/kinds';
import type { EngineSheet } from '../engine/sheet';
import { rememberBy } from '../remember';
import type { HeldObservation, Observation } from './observation';
import type { Result } from '../result';
import { isRefused } from '../result';

/** A rocker may feel either way this near its lobe's edge, degrees. */
const EITHER_WAY = 10;
const DOWN_WITHIN = 30;
export const PEAK_WITHIN = 8;
export const ROCKING_WITHIN = 20;
const TOP_WITHIN = 15;
export const MARK_WITHIN = 4;

/** Where an observation fits, 1 by whole degree; elsewhere it is soft or hard against. */
export type Evidence = { fits: Uint8Array; runs: readonly Run[]; rocker?: Adjuster };

/** Neighbouring degrees that fit, round the circle. */
type Run = { from: number; length: number };

/**
 * Where the crank stands if an observation is right, at the moment it is made. Refuses an id, a
 * mark or a cylinder that the engine has not, and a lobe that is not known. A loose or a firm
 * rocker carries its adjuster: what it says may be mistaken, all else is believed.
 */
export const evidenceOf = rememberBy(readEvidence, (seen) => {
  if ('id' in seen) return `id ${seen.id} ${seen.state}`;
  return 'cylinder' in seen ? `cylinder ${seen.cylinder} ${seen.state}` : `mark ${seen.mark}`;
});

function readEvidence(sheet: EngineSheet, seen: Observation): Result<Evidence> {
  const firing = firingOf(sheet);
  if ('mark' in seen) {
    const mark = sheet.marks?.find(({ name }) => name === seen.mark);
    if (!mark) return { refused: 'not-on-engine', says: `The sheet has no mark “${seen.mark}”.` };
    return near(mark.at, MARK_WITHIN, firing.cycle, 360);
  }
  if ('cylinder' in seen) {
    const tdc = firing.at.get(seen.cylinder);
    if (tdc === undefined) {
      return {
        refused: 'not-on-engine',
        says: `Cylinder ${seen.cylinder} is not in the firing order.`,
      };
    }
    if (seen.state === 'top') return near(tdc, TOP_WITHIN, firing.cycle, 360);
    const middle = overlapMiddle(sheet, firing, seen.cylinder);
    return isRefused(middle) ? middle : near(middle.at, ROCKING_WITHIN, firing.cycle);
  }
  const rocker = adjustersOf(sheet).find(({ id }) => id === seen.id);
  if (!rocker)
    return { refused: 'not-on-engine', says: `There is no adjuster “${seen.id}” on this engine.` };
  if (!tells(rocker)) {
    return {
      refused: 'sprung-train',
      says: `${seen.id} has a sprung train: only intake and exhaust rockers tell.`,
    };
  }
  return rockerEvidence(rocker, seen.state, firing.cycle);
}

function rockerEvidence(
  rocker: Adjuster,
  state: 'loose' | 'firm' | 'down' | 'peak',
  cycle: number,
): Result<Evidence> {
  if (state === 'down' || state === 'peak') {
    if (rocker.peak === undefined) {
      return {
        refused: 'not-on-sheet',
        says: `The sheet gives no lobe for ${rocker.id}, so its peak is unknown.`,
      };
    }
    return near(rocker.peak, state === 'down' ? DOWN_WITHIN : PEAK_WITHIN, cycle);
  }
  if (!rocker.baseCircle)
    return { refused: 'not-on-sheet', says: `The sheet gives no lobe for ${rocker.id}.` };
  const margins = marginsByDegree(rocker.baseCircle, cycle);
  const fits = new Uint8Array(cycle);
  margins.forEach((margin, degree) => {
    const agrees =
      state === 'loose'
        ? margin >= -EITHER_WAY - ANGLE_TOLERANCE
        : margin <= EITHER_WAY + ANGLE_TOLERANCE;
    if (agrees) fits[degree] = 1;
  });
  return { fits, runs: runsOf(fits), rocker };
}

/** Whether a rocker tells where the crank is; an injector's or a brake's train is sprung. */
export function tells({ kind }: Pick<Adjuster, 'kind'>): boolean {
  return isTelling(kind);
}

function near(angle: number, within: number, cycle: number, period = cycle): Evidence {
  const fits = new Uint8Array(cycle);
  for (let degree = 0; degree < cycle; degree++) {
    if (apart(degree, angle, period) <= within + ANGLE_TOLERANCE) fits[degree] = 1;
  }
  return { fits, runs: runsOf(fits) };
}

/** The crank angle in the middle of a cylinder's overlap, where both its lobes are open. */
export function overlapMiddle(
  sheet: EngineSheet,
  firing: Firing,
  cylinder: number,
): Result<{ at: number }> {
  if (firing.cycle !== 720)
    return { refused: 'two-stroke', says: 'A two-stroke has no overlap to rock at.' };
  const [intake, exhaust] = [lobeOf(sheet, 'intake'), lobeOf(sheet, 'exhaust')];
  const overlap = intake && exhaust ? wrap(exhaust.closes - intake.opens, firing.cycle) : 0;
  if (!intake || overlap < ANGLE_TOLERANCE || overlap > firing.cycle / 2) {
    return {
      refused: 'no-overlap',
      says: 'On this engine the exhaust closes before the intake opens: none rocks.',
    };
  }
  const tdc = firing.at.get(cylinder) ?? 0;
  return { at: wrap(tdc + intake.opens + overlap / 2, firing.cycle) };
}

/**
 * Where an observation fits now, 1 by whole degree, after what was turned since: each degree by
 * the most favourable place inside the turns' tolerance, and where a full turn may have been
 * miscounted by the more favourable of that and the one 360° on.
 */
export function fitsNow(
  { fits, runs }: Evidence,
  { by, within, turnDoubted, now }: HeldObservation,
): Uint8Array {
  if (now) return fits;
  const cycle = fits.length;
  const reach = Math.ceil(within - ANGLE_TOLERANCE);
  const then = Math.round(-by);
  const held = new Uint8Array(cycle);
  const turns = turnDoubted && cycle === 720 ? [0, 360] : [0];
  for (const { from, length } of runs) {
    for (const turn of turns) fill(held, from - reach - then + turn, length + 2 * reach);
  }
  return held;
}

/** The runs of 1 round the circle: where each begins and how many degrees it has. */
function runsOf(fits: Uint8Array): Run[] {
  const cycle = fits.length;
  const gap = fits.indexOf(0);
  if (gap < 0) return [{ from: 0, length: cycle }];
  const runs: Run[] = [];
  for (let i = gap, length = 0; i <= gap + cycle; i++) {
    if (fits[i % cycle] === 1) length++;
    else if (length > 0) {
      runs.push({ from: i - length, length });
      length = 0;
    }
  }
  return runs;
}

/** Sets so many degrees to 1 from `from` on, round the circle. */
function fill(held: Uint8Array, from: number, length: number): void {
  const cycle = held.length;
  if (length >= cycle) {
    held.fill(1);
    return;
  }
  const start = ((from % cycle) + cycle) % cycle;
  held.fill(1, start, start + length);
  if (start + length > cycle) held.fill(1, 0, start + length - cycle);
}
