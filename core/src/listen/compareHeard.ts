import { median } from '../statistics';
import { present } from '../present';
import type { Heard, HeardWell, HowMany } from './heard';
import { PROFILE_POINTS } from './bands';

/** Speeds within this part of each other are alike. */
const LIKE_SPEED = 0.08;
/** Louder by this much, dB, at one place after every firing: all of a kind tick; from here they may. */
const ALIKE = 7;
const MAY_BE_ALIKE = 5;

/** So much below the loudest of a band, dB, an echo would hide what ticks. */
const HIDDEN = 12;

/** What differs by more says no more of how two profiles lie, dB. */
const MOST_UNLIKE = 8;
/** Ticks pull the beat by so many points at most. */
const MOST_TURNED = 4;

/** Two clips held against each other; or that they cannot be. */
export type Compared =
  | { compared: true; before: HowMany; after: HowMany }
  | { compared: false; why: 'before' | 'after' | 'speeds' };

/**
 * What two clips tell together. What ticks alike at every cylinder stands out of neither by itself,
 * but of the other.
 *
 * @example compareHeard({ told: false, why: 'short' }, { told: false, why: 'short' }) // { compared: false, why: 'before' }
 */
export function compareHeard(before: Heard, after: Heard): Compared {
  if (!before.told) return { compared: false, why: 'before' };
  if (!after.told) return { compared: false, why: 'after' };
  if (Math.abs(Math.log(before.speed / after.speed)) > LIKE_SPEED) {
    return { compared: false, why: 'speeds' };
  }
  const [less, more] = [louderAlike(after, before), louderAlike(before, after)];
  // Each louder than the other: they do not lie on each other, or another engine was heard.
  const unlike = Math.min(less, more) >= MAY_BE_ALIKE;
  return {
    compared: true,
    before: unlike ? ifUnlike(before.ticks) : withAlike(before.ticks, more, after.ticks),
    after: unlike ? ifUnlike(after.ticks) : withAlike(after.ticks, less, before.ticks),
  };
}

function ifUnlike(ticks: HowMany): HowMany {
  return ticks === 'none' ? 'unsure' : ticks;
}

function withAlike(ticks: HowMany, louder: number, other: HowMany): HowMany {
  if (ticks === 'several' || louder < MAY_BE_ALIKE) return ticks;
  // One loud thing is heard in the usual as well where few cylinders make it.
  if (ticks === 'one') return louder < ALIKE ? 'one' : 'unsure';
  return louder >= ALIKE && other !== 'one' && other !== 'several' ? 'several' : 'unsure';
}

/** How much louder one is than the other at any place after every firing, dB, in two bands at least. */
function louderAlike(one: HeardWell, other: HeardWell): number {
  const shift = shiftOf(one, other);
  // A phone held nearer or at another side hears all of it louder, the thump of the firing too.
  const all = nearer(present(one.usual[0]), turned(present(other.usual[0]), shift));
  const bands = one.usual.slice(1).map((band, i) => {
    const against = turned(present(other.usual[i + 1]), shift);
    const least = Math.max(...band) - HIDDEN;
    return band.map((level, point) => (level < least ? 0 : level - nearby(against, point) - all));
  });
  const overs = Array.from({ length: PROFILE_POINTS }, (_, point) => {
    const [first = 0, second = 0] = bands.map((band) => band[point] ?? 0).sort((a, b) => b - a);
    return (first + second) / 2;
  });
  return Math.max(...overs);
}

/** How much louder a band is where it is loud in both, dB: what lies below is other noise. */
function nearer(band: readonly number[], against: readonly number[]): number {
  const [least, leastAgainst] = [Math.max(...band) - HIDDEN, Math.max(...against) - HIDDEN];
  const more = band.flatMap((level, point) => {
    const other = present(against[point]);
    return level > least && other > leastAgainst ? [level - other] : [];
  });
  return more.length > 0 ? median(more) : 0;
}

/**
 * By how many points one profile is turned against the other: loud ticks pull the beat that cycles
 * are counted by. Most of what is heard lies alike where it is right.
 */
function shiftOf(one: HeardWell, other: HeardWell): number {
  const shifts = Array.from({ length: 2 * MOST_TURNED + 1 }, (_, i) => i - MOST_TURNED);
  const unlike = shifts.map((shift) =>
    one.usual.reduce(
      (sum, band, i) => sum + unlikeness(band, turned(present(other.usual[i]), shift)),
      0,
    ),
  );
  return present(shifts[unlike.indexOf(Math.min(...unlike))]);
}

function unlikeness(band: readonly number[], against: readonly number[]): number {
  const [most, mostAgainst] = [Math.max(...band), Math.max(...against)];
  return band.reduce((sum, level, point) => {
    const own = Math.max(level - most, -HIDDEN);
    const other = Math.max(present(against[point]) - mostAgainst, -HIDDEN);
    return sum + Math.min(MOST_UNLIKE, Math.abs(own - other));
  }, 0);
}

function turned(profile: readonly number[], shift: number): number[] {
  return profile.map((_, point) => present(profile.at((point + shift) % PROFILE_POINTS)));
}

/** The loudest of a place and its neighbours: two clips never fall into the same bins. */
function nearby(profile: readonly number[], point: number): number {
  const at = (place: number) => present(profile.at(place % PROFILE_POINTS));
  return Math.max(...[-2, -1, 0, 1, 2].map((way) => at(point + way)));
}
