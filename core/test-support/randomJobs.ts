import type { EngineSheet, Faults, SimulatedJob } from '../src';
import { adjustersOf, BARRING_METHODS, cycleDegrees, SeededRandom } from '../src';

/** A job from a seed: method, policy, starting angle, phones, and at most one fault of a kind. */
export function randomJob(sheet: EngineSheet, seed: number): SimulatedJob {
  const random = new SeededRandom(seed * 7 + 1);
  // At every fifth two phones lose their signal now and then, and each goes on by what it knows.
  const isApart = seed % 5 === 4;
  return {
    method: random.one(BARRING_METHODS),
    policy: random.one(['leave-inside', 'reset-all', 'loose-side'] as const),
    start: random.whole(0, cycleDegrees(sheet) - 1),
    seed,
    faults: {
      ...randomFaults(sheet, random),
      ...misreadTag(sheet, seed),
      // Every third takes back now and then what was tapped last.
      ...(seed % 3 === 1 && { takesBack: 0.1 }),
      // Every fifth goes on by another method now and then.
      ...(seed % 5 === 2 && { changesMethod: 0.03 }),
      // Of every seventh another says now and then what it is about.
      ...(seed % 7 === 3 && { changesScope: 0.03 }),
      ...(isApart && { apart: 0.1 }),
      // At every eleventh some cannot be set, at every fourth some can after all, at every eighth some readings are doubted.
      ...(seed % 11 === 6 && { givesUp: 0.02 }),
      ...(seed % 4 === 2 && { resumes: 0.03 }),
      ...(seed % 8 === 5 && { doubts: 0.03 }),
      ...(seed % 9 === 2 && { backsOff: 0.05 }),
      ...(seed % 10 === 1 && { returns: 0.01 }),
      ...(seed % 4 === 3 && { readsBeforeLocking: true }),
      ...whims(seed),
    },
    phones: phonesOf(random.next() < 0.3 || isApart, seed),
    round: random.one(['first', 'changed', 'all'] as const),
    ...randomScope(sheet, random),
    ...randomAims(sheet, random),
  };
}

/** Of those at which several phones share the work, every other has three of them. */
function phonesOf(shared: boolean, seed: number): 1 | 2 | 3 {
  if (!shared) return 1;
  return seed % 2 === 0 ? 2 : 3;
}

/** What is done now and then though nothing asks for it, and otherwise than is usual. */
function whims(seed: number): Faults {
  return {
    ...(seed % 6 === 1 && { choosesAim: 0.05 }),
    ...(seed % 7 === 5 && { readsAnew: 0.03 }),
    ...(seed % 9 === 4 && { feelsAnew: 0.03 }),
    ...(seed % 12 === 7 && { handsOver: 0.02 }),
    ...(seed % 3 === 2 && { saysClear: 0.02 }),
    ...(seed % 4 === 1 && { setsByHand: 0.5 }),
    ...(seed % 13 === 3 && { exempts: 0.5 }),
    ...(seed % 6 === 4 && { onPaper: 0.02 }),
    ...(seed % 2 === 1 && { runsDownMany: 0.4 }),
    ...(seed % 5 === 1 && { findsDamage: 0.3 }),
    ...(seed % 4 === 2 && { readsOneSide: 0.5 }),
    ...(seed % 4 > 1 && { mismarked: 0.3 }),
    ...(seed % 3 === 1 && { readsWide: 0.3 }),
    ...(seed % 14 === 8 && { headWork: true }),
  };
}

/** On every other engine with data tags the tag is read wrongly, and put right at some time. */
function misreadTag({ variants }: EngineSheet, seed: number): Faults {
  return variants && seed % 2 === 0 ? { misreadTag: 0.02 } : {};
}

/** Every other shop aims, at an engine whose adjusters drift one way, the other, or none. */
function randomAims(sheet: EngineSheet, random: SeededRandom): Pick<SimulatedJob, 'aims'> {
  if (random.next() < 0.5) return {};
  const rates = adjustersOf(sheet).map(({ id }) => {
    const rate = random.whole(-200, 200);
    return [id, { rate, low: rate - 20, high: rate + 20 }];
  });
  return { aims: { aim: 'on', rates: Object.fromEntries(rates) } };
}

/** Every third job is about some kinds only, or only checks. */
function randomScope(sheet: EngineSheet, random: SeededRandom): Pick<SimulatedJob, 'scope'> {
  if (random.next() < 0.66) return {};
  const kinds = sheet.adjusters.map(({ kind }) => kind).filter(() => random.next() < 0.5);
  const checkOnly = random.next() < 0.5;
  return { scope: { ...(kinds.length > 0 && { kinds }), ...(checkOnly && { checkOnly }) } };
}

function randomFaults(sheet: EngineSheet, random: SeededRandom): Faults {
  const rockers = adjustersOf(sheet).filter(({ kind }) => kind === 'intake' || kind === 'exhaust');
  const chance = (share: number) => random.next() < share;
  if (rockers.length === 0) return {};
  const one = random.one(rockers);
  const own = rockers.filter(({ cylinder }) => cylinder === one.cylinder).map(({ id }) => id);
  const liars = chance(0.3) ? own : [one.id];
  const kind = random.whole(0, 2);
  return {
    ...(kind === 0 && { tight: liars }),
    ...(kind === 1 && { slack: liars }),
    ...(chance(0.3) && { overshoot: 0.15 }),
    ...(chance(0.4) && { miscount: 0.2 }),
    ...(chance(0.3) && { lockShift: 30 }),
    ...(chance(0.2) && { swapped: [one.cylinder] }),
    ...(chance(0.3) && { interrupted: 0.03 }),
  };
}
