import { present } from '../present';
import type { Observation } from '../crank/observation';
import { evidenceOf } from '../crank/evidence';
import { adjustersOf } from '../engine/adjusters';
import { wrap } from '../engine/angle';
import { marginIn } from '../engine/arc';
import { cycleDegrees } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import { measureOf } from '../gauging/measure';
import type { Reading, Trial } from '../gauging/reading';
import { readingFromFigure } from '../gauging/reading';
import { SeededRandom } from '../seededRandom';
import { isRefused } from '../result';

/** What is wrong with an engine, or with the one who works at it. */
export type Faults = {
  /** Rockers that always feel firm. */
  tight?: readonly string[];
  /** Rockers that feel loose unless they stand deep on their lobe. */
  slack?: readonly string[];
  /** The chance at each turn to go past by an unknown way, and to notice. */
  overshoot?: number;
  /** The chance at each turn that is told as 270° or more to be a full turn out, and not to notice. */
  miscount?: number;
  /** What locking a nut closes the gap by, µm. */
  lockShift?: number;
  /** Cylinders whose intake and exhaust were set with each other's blade. */
  swapped?: readonly number[];
  /** The chance at each act of a long pause in which a stranger may turn the crank. */
  interrupted?: number;
  /** How far after its true place each mark comes to its pointer, degrees: a rim that slipped. */
  slippedRim?: number;
  /** The chance at each act to see that the data tag was misread, and to tell another. */
  misreadTag?: number;
  /** The chance at each act to take back the last few of one's own, and to be asked for them again. */
  takesBack?: number;
  /** The chance at each act to go on by another method. */
  changesMethod?: number;
  /** The chance at each act that another phone, which has seen nothing since, says what the job is about. */
  changesScope?: number;
  /** The chance at each act at an adjuster that it cannot be set, whatever was done to it. */
  givesUp?: number;
  /** The chance at each act that one which was given up can be set after all. */
  resumes?: number;
  /** The chance at each act at an adjuster that its reading is doubted. */
  doubts?: number;
  /** The chance at each act at an adjuster that it is set by the aim from here on, or by the maker. */
  choosesAim?: number;
  /** The chance at each act at an adjuster that its reading is taken back, to be taken anew. */
  readsAnew?: number;
  /** The chance at each act that what was last seen of the crank is taken back. */
  feelsAnew?: number;
  /** The chance at each act that the job is handed over. */
  handsOver?: number;
  /** The chance at each act that one of several takes their own lock off. */
  saysClear?: number;
  /** The chance that what no stop serves, or the manual's chart has off its condition, is set by hand. */
  setsByHand?: number;
  /** The chance that what is asked before the work is exempted with a reason. */
  exempts?: number;
  /** The chance at each reading to stop at the blade that tells on which side of its limits the gap is. */
  readsOneSide?: number;
  /** The chance at each reading to try two blades far apart, and none between. */
  readsWide?: number;
  /** The chance of each shim that its mark says another size than it has. */
  mismarked?: number;
  /** The chance that what is looked into is damage, with which it must not be run. */
  findsDamage?: number;
  /** The chance that several fasteners are run down in one act. */
  runsDownMany?: number;
  /** The chance at each act that the next stops are worked on paper, and typed in. */
  onPaper?: number;
  /** The chance at each act while the crank is looked for that a cylinder's rockers are backed off. */
  backsOff?: number;
  /** The chance at each act that the engine runs or moves in between. */
  returns?: number;
  /** It is set by a blade that is read before its nut is locked. */
  readsBeforeLocking?: boolean;
  /** The chance at each act at the rockers that two phones lose their signal there for some acts. */
  apart?: number;
  /** It is opened after head work: every rocker is off. */
  headWork?: boolean;
  /** What is said without having looked: that a rocker is as expected, that nobody turned. */
  careless?: 'feels-nothing' | 'nobody-turned';
};

/** A gap that nobody leaves, µm: the rocker is off, or backed off, and loose wherever the crank is. */
export const BACKED_OFF = 3000;
/** A rocker with slack feels firm only this deep on its lobe, degrees. */
const SLACK_FEELS_FIRM = -28;
/** This near a lobe's edge a rocker may feel either way, degrees. */
const EITHER_WAY = 10;
/** How far a hand stops from what it waits for, degrees: less than its sight allows. */
const LANDS_WITHIN = 3;
/** A hand pulls the same gap a little differently each time, µm. */
const FEEL_SPREAD = 3;
/** The shims found in the buckets, µm. */
const SHIMS = { from: 2400, to: 3000, step: 50 };

export type HiddenEngine = {
  /** The true crank angle, whole degrees; nobody at the engine knows it. */
  crank(): number;
  /** Turns the crank forward by whole degrees. */
  bar(degrees: number): void;
  /** The way forward to where this is seen next, at least `from` degrees on; none if never. */
  wayTo(seen: Observation, from: number): number | undefined;
  /** The next mark that comes to its pointer, and the way to it. */
  nextMark(): { name: string; way: number } | undefined;
  sees(seen: Observation): boolean;
  feel(id: string): 'loose' | 'firm';
  /** The gap, height or preload as it is now, µm; a gap on its lobe is taken up. Nobody knows it. */
  gap(id: string): number;
  /** The same wherever the crank stands. */
  left(id: string): number;
  /** Whether a blade enters, as a hand feels it. */
  pull(id: string, size: number): Trial;
  /** A reading of the gap, height or preload, between two blades `step` µm apart. */
  measure(id: string, step: number): Reading;
  /** Sets a gap and locks its nut, which may shift it. */
  set(id: string, gap: number): void;
  /** The size of the shim in a bucket, µm. */
  shim(id: string): number;
  fit(id: string, size: number): void;
};

/**
 * An engine that knows its own crank angle and gaps and tells them only to whoever bars, feels,
 * looks and measures. The same seed makes the same engine with the same hands at it.
 *
 * `hiddenEngine(sheet, { seed: 7, crank: 137, faults: { tight: ['exhaust.4'] } })`
 */
export function hiddenEngine(
  sheet: EngineSheet,
  { seed, crank: start, faults }: { seed: number; crank: number; faults: Faults },
): HiddenEngine {
  const cycle = cycleDegrees(sheet);
  const random = new SeededRandom(seed);
  const adjusters = new Map(adjustersOf(sheet).map((adjuster) => [adjuster.id, adjuster]));
  const gaps = trueGaps(sheet, random, faults);
  const shims = new Map(
    [...adjusters.keys()].map((id) => {
      const steps = (SHIMS.to - SHIMS.from) / SHIMS.step;
      return [id, SHIMS.from + SHIMS.step * random.whole(0, steps)];
    }),
  );
  const slipped = faults.slippedRim ?? 0;
  let crank = wrap(Math.round(start), cycle);
  const at = (id: string) => present(adjusters.get(id));
  const fitsAt = (seen: Observation, degree: number) => {
    const evidence = evidenceOf(sheet, seen);
    const asMarked = 'mark' in seen ? wrap(degree - slipped, cycle) : degree;
    return !isRefused(evidence) && evidence.fits[asMarked] === 1;
  };
  /** The middle of the next stretch of degrees where it is seen, and a hand's width off. */
  const wayTo = (seen: Observation, from: number) => {
    let into = Math.max(0, Math.ceil(from));
    const first = into;
    const seenAt = (way: number) => fitsAt(seen, (crank + way) % cycle);
    // One that is in sight already is only waited for from its beginning on.
    while (into > 0 && seenAt(into) && seenAt(into - 1) && first - into < cycle) into--;
    while (!seenAt(into) && into - first <= cycle) into++;
    if (into - first > cycle) return undefined;
    let out = into;
    while (seenAt(out + 1) && out - into < cycle) out++;
    const middle = Math.round((into + out) / 2);
    return Math.max(0, middle + random.whole(-LANDS_WITHIN, LANDS_WITHIN));
  };
  const gapNow = (id: string) => {
    const { entry, baseCircle } = at(id);
    const onLobe = baseCircle && marginIn(baseCircle, crank, cycle) < 0;
    return onLobe && measureOf(entry) === 'lash' ? 0 : (gaps.get(id) ?? 0);
  };
  const pulled = (id: string) => Math.max(0, gapNow(id) + random.whole(-FEEL_SPREAD, FEEL_SPREAD));
  return {
    crank: () => crank,
    gap: gapNow,
    left: (id) => gaps.get(id) ?? 0,
    pull: (id, size) => ({ size, enters: size <= pulled(id) }),
    bar(degrees) {
      crank = wrap(crank + Math.round(degrees), cycle);
    },
    wayTo,
    nextMark() {
      const ways = (sheet.marks ?? []).map(({ name, at: angle }) => ({
        name,
        way:
          wrap(Math.round(angle) + slipped - crank - 5, 360) +
          5 +
          random.whole(-LANDS_WITHIN, LANDS_WITHIN),
      }));
      return ways.sort((a, b) => a.way - b.way)[0];
    },
    sees: (seen) => fitsAt(seen, crank),
    feel(id) {
      const { baseCircle, entry } = at(id);
      const isOff = measureOf(entry) === 'lash' && (gaps.get(id) ?? 0) >= BACKED_OFF;
      if (isOff) return 'loose';
      if (faults.tight?.includes(id) || !baseCircle) return 'firm';
      const margin = marginIn(baseCircle, crank, cycle);
      if (faults.slack?.includes(id)) return margin < SLACK_FEELS_FIRM ? 'firm' : 'loose';
      if (Math.abs(margin) < EITHER_WAY) return random.next() < 0.5 ? 'loose' : 'firm';
      return margin >= 0 ? 'loose' : 'firm';
    },
    measure(id, step) {
      const gap = pulled(id);
      const measure = measureOf(at(id).entry);
      if (measure === 'height') return readingFromFigure(gap, 'gauge');
      if (measure === 'preload') return readingFromFigure(gap, 'wrench');
      const go = Math.floor(gap / step) * step;
      return { go, noGo: go + step, how: 'go-no-go' };
    },
    set(id, gap) {
      gaps.set(id, Math.max(0, gap - (faults.lockShift ?? 0)));
    },
    shim: (id) => shims.get(id) ?? SHIMS.from,
    fit(id, size) {
      gaps.set(id, Math.max(0, (gaps.get(id) ?? 0) + (shims.get(id) ?? size) - size));
      shims.set(id, size);
    },
  };
}

/** The gaps as they are: worn about their target, the faulty ones far out. */
function trueGaps(sheet: EngineSheet, random: SeededRandom, faults: Faults): Map<string, number> {
  const gaps = new Map<string, number>();
  for (const { id, entry } of adjustersOf(sheet)) {
    const { low, target, high } = entry.spec ?? { low: 200, target: 250, high: 300 };
    const worn = Math.round(target + random.normal() * (high - low) * 0.4);
    const isOff = faults.headWork && entry.method !== 'shim' && measureOf(entry) === 'lash';
    gaps.set(id, Math.max(0, worn));
    if (faults.slack?.includes(id)) gaps.set(id, high + 3 * (high - low));
    if (faults.tight?.includes(id)) gaps.set(id, 0);
    if (isOff) gaps.set(id, BACKED_OFF);
  }
  for (const cylinder of faults.swapped ?? []) {
    const [intake, exhaust] = ['intake', 'exhaust'].map(
      (kind) => adjustersOf(sheet).find((a) => a.kind === kind && a.cylinder === cylinder)?.id,
    );
    if (intake === undefined || exhaust === undefined) continue;
    const before = gaps.get(intake) ?? 0;
    gaps.set(intake, gaps.get(exhaust) ?? before);
    gaps.set(exhaust, before);
  }
  return gaps;
}
