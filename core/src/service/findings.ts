import { adjusterName } from '../engine/adjusterEntry';
import { adjustersOf } from '../engine/adjusters';
import type { EngineSheet, Spec } from '../engine/sheet';
import { judgeReading } from '../gauging/judgeReading';
import { measureOf } from '../gauging/measure';
import type { Reading } from '../gauging/reading';
import { middleOf } from '../gauging/reading';
import { slipOf } from '../gauging/slips';
import { median, robustDeviation } from '../statistics';
import type { DriftHistory } from './drift';
import type { Finding } from './finding';

/** Drift this many robust deviations from its kind's is told from ordinary scatter. */
const FAR = 3.5;
/** The least deviation taken for granted, µm. */
const FLOOR = 15;
/** With fewer of a kind nothing is told apart. */
const FEWEST = 3;

type Last = {
  id: string;
  cylinder: number;
  kind: string;
  spec: Spec;
  found: Pick<Reading, 'go' | 'noGo'>;
  /** Found now less left then, µm; absent where it starts anew. */
  change?: number;
  hours?: number;
};

/**
 * The findings of an engine's last check: one that drifts apart from its kind, a locknut that
 * slipped within one interval, both valves of a cylinder tight, all of a kind loose, intake and
 * exhaust of a cylinder swapped. `everyHours` is the maker's interval.
 */
export function findingsOf(
  sheet: EngineSheet,
  histories: readonly DriftHistory[],
  everyHours: number,
): Finding[] {
  const last = lastOf(sheet, histories);
  const kinds = [...new Set(last.map(({ kind }) => kind))];
  return [
    ...swaps(last),
    ...bothTight(last),
    ...kinds.flatMap((kind) => {
      const own = last.filter((each) => each.kind === kind);
      return [...allLoose(own), ...apart(own, everyHours)];
    }),
  ];
}

function lastOf(sheet: EngineSheet, histories: readonly DriftHistory[]): Last[] {
  const byId = new Map(histories.map((history) => [history.id, history]));
  return adjustersOf(sheet).flatMap(({ id, cylinder, kind, entry }): Last[] => {
    const jobs = [...(byId.get(id)?.jobs ?? [])].sort((a, b) => a.hours - b.hours);
    const [then, now] = [jobs[jobs.length - 2], jobs[jobs.length - 1]];
    if (!now || !entry.spec || measureOf(entry) !== 'lash') return [];
    const found = typeof now.found === 'number' ? { go: now.found, noGo: now.found } : now.found;
    const own = { id, cylinder, kind, spec: entry.spec, found };
    const [middle, left] = [middleOf(now.found), then && middleOf(then.left)];
    if (!then || now.disturbed || middle === undefined || left === undefined) return [own];
    return [{ ...own, change: middle - left, hours: now.hours - then.hours }];
  });
}

function verdictOf({ spec, found }: Last) {
  return judgeReading(spec, { ...found, how: 'go-no-go' }, 'leave-inside').verdict;
}

function pairs(last: readonly Last[]): { intakes: Last[]; exhausts: Last[]; cylinder: number }[] {
  const cylinders = [...new Set(last.map(({ cylinder }) => cylinder))];
  return cylinders.map((cylinder) => {
    const own = last.filter((each) => each.cylinder === cylinder);
    const of = (kind: string) => own.filter((each) => each.kind === kind);
    return { cylinder, intakes: of('intake'), exhausts: of('exhaust') };
  });
}

function swaps(last: readonly Last[]): Finding[] {
  return pairs(last).flatMap(({ intakes: [intake], exhausts: [exhaust] }) => {
    if (!intake || !exhaust) return [];
    const other = { name: adjusterName(exhaust.id), spec: exhaust.spec, reading: exhaust.found };
    const slip = slipOf({ spec: intake.spec, reading: intake.found, other });
    if (slip?.slip !== 'swap') return [];
    return [
      {
        finding: 'swap',
        ids: [intake.id, exhaust.id],
        says: `No. ${intake.cylinder} intake stood near the exhaust’s setting, and the exhaust near the intake’s.`,
        look: 'They may have been set with each other’s blade last time. Make sure which rocker is which before anything is turned.',
      },
    ];
  });
}

function bothTight(last: readonly Last[]): Finding[] {
  return pairs(last).flatMap(({ cylinder, intakes, exhausts }): Finding[] => {
    const both = [...intakes, ...exhausts];
    if (intakes.length === 0 || exhausts.length === 0) return [];
    if (!both.every((each) => verdictOf(each) === 'tight')) return [];
    return [
      {
        finding: 'both-tight',
        ids: both.map(({ id }) => id),
        says: `Both valves of cylinder ${cylinder} were tight together.`,
        look: 'Make sure the crank is on the right turn. If it is, look at the seats of this cylinder and at how hot it runs.',
      },
    ];
  });
}

function allLoose(own: readonly Last[]): Finding[] {
  const [first] = own;
  if (!first || own.length < FEWEST || !own.every((each) => verdictOf(each) === 'loose')) return [];
  return [
    {
      finding: 'all-loose',
      ids: own.map(({ id }) => id),
      says: `Every ${first.kind} was loose together.`,
      look: 'Look at what they share: the temperature they were read at, the blade set, the rocker shaft and its oil, the cam.',
    },
  ];
}

function apart(own: readonly Last[], everyHours: number): Finding[] {
  const known = own.flatMap(({ change, ...each }) =>
    change === undefined ? [] : [{ ...each, change }],
  );
  if (known.length < FEWEST) return [];
  const changes = known.map(({ change }) => change);
  const middle = median(changes);
  const deviation = Math.max(FLOOR, robustDeviation(changes));
  return known.flatMap(({ id, change, hours = Infinity }): Finding[] => {
    const off = change - middle;
    if (Math.abs(off) <= FAR * deviation) return [];
    const name = adjusterName(id);
    if (off > 0 && hours <= everyHours) {
      return [
        {
          finding: 'locknut',
          ids: [id],
          says: `${name} jumped loose within one interval, unlike the others.`,
          look: 'Look at its locknut first: it may have slipped. Then push rod, lobe and tappet.',
        },
      ];
    }
    return [
      {
        finding: 'drift-apart',
        ids: [id],
        says: `${name} ${off < 0 ? 'closes' : 'opens'} much faster than the others of its kind.`,
        look:
          off < 0
            ? 'Look at the valve and its seat before adjusting: a seat that recedes closes the gap.'
            : 'Look at lobe, tappet, push rod and locknut before adjusting.',
      },
    ];
  });
}
