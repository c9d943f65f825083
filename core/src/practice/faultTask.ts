import type { Adjuster } from '../engine/adjusters';
import { adjustersOf } from '../engine/adjusters';
import { adjusterName } from '../engine/adjusterEntry';
import type { EngineSheet, Spec } from '../engine/sheet';
import { measureOf } from '../gauging/measure';
import { SeededRandom } from '../seededRandom';
import type { DriftHistory } from '../service/drift';
import type { Finding } from '../service/finding';
import { findingsOf } from '../service/findings';
import type { Level } from './exercise';
import type { Marked } from './exercises';

/** What may be wrong with an engine whose figures are told; `none` where it only wears. */
export const FAULTS_TOLD = [
  'drift-apart',
  'locknut',
  'both-tight',
  'swap',
  'all-loose',
  'none',
] as const;
export type FaultTold = (typeof FAULTS_TOLD)[number];

/** Four years of figures, and what is wrong in them: no adjusters where nothing is. */
export type FaultTask = {
  histories: DriftHistory[];
  fault: FaultTold;
  ids: readonly string[];
  /** What is seen and what to look at, as a true machine’s page says it. */
  finding: Finding | undefined;
};

/** Four checks after the first, one a year. */
const CHECKS = 5;
const EVERY = 500;
/** What a gap closes in a year, and how much years differ, µm, by level. */
const WEAR = 12;
const SCATTER = { 1: 2, 2: 4, 3: 6 } as const;
/** How plain a fault is, µm a year, by level. */
const PLAIN = { 1: 130, 2: 95, 3: 80 } as const;
/** So many engines are drawn until one shows the fault that was meant, and no other. */
const DRAWS = 40;

type Figured = Adjuster & { spec: Spec };

/**
 * Four years of figures of an engine with one thing wrong, or nothing: plainer at level 1, nearer
 * to ordinary wear at level 3. What its findings tell is what is right.
 *
 * @example faultTask(six, 7, 1).histories[0]?.jobs.length // 5
 */
export function faultTask(sheet: EngineSheet, seed: number, level: Level): FaultTask {
  const random = new SeededRandom(seed);
  const meant = random.one(FAULTS_TOLD);
  const adjusters = adjustersOf(sheet).flatMap((adjuster): Figured[] => {
    const { spec } = adjuster.entry;
    return spec && measureOf(adjuster.entry) === 'lash' ? [{ ...adjuster, spec }] : [];
  });
  for (let draw = 0; draw < DRAWS && adjusters.length > 0; draw++) {
    const histories = drawn(adjusters, meant, level, random);
    const found = findingsOf(sheet, histories, EVERY);
    const [finding] = found;
    if (meant === 'none' && !finding) return { histories, fault: 'none', ids: [], finding };
    const others = found.flatMap(({ ids }) => ids);
    if (finding?.finding === meant && others.every((id) => finding.ids.includes(id))) {
      return { histories, fault: meant, ids: finding.ids, finding };
    }
  }
  // An engine on which it cannot show, as a swap where both gaps are the same, only wears.
  return { histories: worn(adjusters, 0, random), fault: 'none', ids: [], finding: undefined };
}

function worn(
  adjusters: readonly Figured[],
  scatter: number,
  random: SeededRandom,
): DriftHistory[] {
  return adjusters.map(({ id, spec }) => {
    const jobs = Array.from({ length: CHECKS }, (_, year) => {
      const wear = year === 0 ? 0 : WEAR + Math.round(random.normal() * scatter);
      return { hours: (year + 1) * EVERY, found: spec.target - wear, left: spec.target };
    });
    return { id, jobs };
  });
}

/** Ordinary wear with the fault put into it. */
function drawn(
  adjusters: readonly Figured[],
  fault: FaultTold,
  level: Level,
  random: SeededRandom,
): DriftHistory[] {
  const histories = worn(adjusters, SCATTER[level], random);
  const one = random.one(adjusters);
  const plain = PLAIN[level];
  const change = (
    whose: (each: Figured) => boolean,
    found: (each: Figured, year: number) => number,
  ) =>
    histories.map((history, i): DriftHistory => {
      const adjuster = adjusters[i];
      if (!adjuster || !whose(adjuster)) return history;
      const jobs = history.jobs.map((job, year) => ({ ...job, found: found(adjuster, year) }));
      return { ...history, jobs };
    });
  const asBefore = (each: Figured, year: number) =>
    Number(histories.find(({ id }) => id === each.id)?.jobs[year]?.found ?? each.spec.target);
  const lately = (found: (each: Figured) => number) => (each: Figured, year: number) =>
    year === CHECKS - 1 ? found(each) : asBefore(each, year);
  switch (fault) {
    case 'drift-apart':
      // It has been closing for years, a little faster each year.
      return change(
        ({ id }) => id === one.id,
        ({ spec }, year) => spec.target - Math.round((plain * year) / (CHECKS - 1)),
      );
    case 'locknut':
      return change(
        ({ id }) => id === one.id,
        lately(({ spec }) => spec.target + plain),
      );
    case 'both-tight':
      return change(
        ({ cylinder }) => cylinder === one.cylinder,
        lately(({ spec }) => spec.low - Math.round(plain / 6)),
      );
    case 'all-loose':
      return change(
        ({ kind }) => kind === one.kind,
        lately(({ spec }) => spec.high + Math.round(plain / 5) + random.whole(0, 5)),
      );
    case 'swap': {
      const other = (each: Figured) =>
        adjusters.find(({ cylinder, kind }) => cylinder === each.cylinder && kind !== each.kind);
      return change(
        ({ cylinder }) => cylinder === one.cylinder,
        lately((each) => (other(each)?.spec.target ?? each.spec.target) - WEAR),
      );
    }
    case 'none':
      return histories;
  }
}

/** What the right cause is worth, and what the right adjuster. */
const WORTH = { fault: 60, id: 40 };

/**
 * Marks what somebody said is wrong, and where: the cause, and one of the adjusters it is about.
 *
 * @example markFault(faultTask(six, 7, 1), { fault: 'none' }).score >= 0 // true
 */
export function markFault(
  { fault, ids, finding }: FaultTask,
  said: { fault: FaultTold; id?: string | undefined },
): Marked {
  const where = fault === 'none' || (said.id !== undefined && ids.includes(said.id));
  const score = said.fault !== fault ? 0 : WORTH.fault + (where ? WORTH.id : 0);
  if (score === WORTH.fault + WORTH.id) return { score, mistakes: [] };
  const [id] = ids;
  const says = finding
    ? `${finding.says} ${finding.look}`
    : 'Nothing is wrong: every gap closes as the others of its kind do.';
  const elsewhere =
    said.fault === fault && said.id !== undefined
      ? [{ id: said.id, says: `It is not ${adjusterName(said.id)}.` }]
      : [];
  return { score, mistakes: [...elsewhere, { ...(id !== undefined && { id }), says }] };
}
