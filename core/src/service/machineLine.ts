import { dayOf, daysBetween } from '../calendar';
import type { AdjusterKind } from '../engine/kinds';
import { KIND_NAMES } from '../engine/kinds';
import type { EngineSheet } from '../engine/sheet';
import { isInScope } from '../job/journal/scope';
import { kindsInWords } from '../job/words/scopeWords';
import { headLetters } from '../picture/headLetters';
import type { AboutMachine } from '../wire/machineForm';
import type { JobLine, MachineLine } from '../wire/machines';
import type { Baseline } from './baseline';
import type { HoursReading, MeterChange } from './hours';
import { engineHours } from './hours';
import type { ServiceHistory } from './nextDue';
import { nextDue } from './nextDue';

/** What a machine is, without what happened at it. */
export type MachineBasis = {
  id: string;
  name: string;
  sheet: MachineLine['sheet'];
  document: EngineSheet;
  meter: MeterChange[];
  baseline: Baseline;
  about: AboutMachine;
  retired: boolean;
};

export type MachinePast = {
  /** Newest first. */
  jobs: readonly JobLine[];
  /** Of the hour meter, earliest first. */
  readings: readonly HoursReading[];
} & Pick<MachineLine, 'recheck' | 'tooFewChecks'>;

/**
 * A machine as the yard shows it on a day: its hours, what is due and when, its jobs. The server
 * and a phone without signal work it out alike.
 *
 * @example machineLineOf({ id: '1', name: 'Pump', sheet: { id: '2', revision: 1 }, document: six, meter: [], baseline: { last: null, breakInDone: false }, about: {}, retired: false }, { jobs: [], readings: [], recheck: null }, '2026-05-02').due.by
 *   // 'break-in'
 */
export function machineLineOf(
  machine: MachineBasis,
  { jobs, readings, recheck, tooFewChecks }: MachinePast,
  today: string,
): MachineLine {
  const { document, baseline, meter } = machine;
  const { service } = document;
  // An incomplete job is on record, but the check it was to be is still due.
  const checks = jobs.filter(({ summary: { signed } }) => signed && !signed.incomplete);
  const { kinds, ...from } = lastCheckOfAll(machine, checks, readings);
  // The drift of an adjuster rests on the checks that were about it, and is counted from the last.
  const own = recheck ? checks.filter(({ summary }) => isInScope(summary, recheck.adjuster)) : [];
  const read = own.filter(({ summary }) => summary.hours);
  const drift = recheck && { ...recheck, checks: read.length };
  const counted = { ...baseline, service, meter, ...from, ...(drift && { drift }) };
  const next = nextDue({ ...counted, ...(tooFewChecks && { tooFewChecks }) }, readings, today);
  const due = withKinds(next ?? null, kinds);
  const since = due?.by === 'drift' ? countedFrom(own[0], baseline, readings) : from;
  return {
    id: machine.id,
    name: machine.name,
    engine: document.name,
    head: headLetters(document),
    sheet: machine.sheet,
    ...machine.about,
    ...(machine.retired && { retired: true }),
    hours: shown(readings.at(-1) ?? checks[0]?.summary.hours ?? baseline.last),
    due,
    interval: intervalOf(due, service, since.last && engineHours(since.last, meter)),
    recheck,
    ...(tooFewChecks && { tooFewChecks }),
    jobs: {
      open: jobs.find(({ summary }) => !summary.signed && !summary.abandoned) ?? null,
      signed: checks.length,
    },
  };
}

/** The hours from where those that are due are counted. */
function intervalOf(
  due: MachineLine['due'],
  service: EngineSheet['service'],
  from: number | null,
): number | null {
  if (due?.by === 'drift' && from !== null && due.atHours !== null) return due.atHours - from;
  return (due?.by === 'break-in' ? service?.breakInHours : service?.everyHours) ?? null;
}

type LastCheck = Pick<ServiceHistory, 'last' | 'lastOn' | 'notRead' | 'breakInDone'> & {
  /** The kinds that were left out of every check since; none where it was a check of all. */
  kinds: AdjusterKind[];
};

/**
 * The check that the next one is counted from: of all kinds of adjusters, the one that was checked
 * the longest ago. What a job left out stays due.
 */
function lastCheckOfAll(
  { document, baseline }: Pick<MachineBasis, 'document' | 'baseline'>,
  checks: readonly JobLine[],
  readings: readonly HoursReading[],
): LastCheck {
  const lasts = KIND_NAMES.filter((kind) =>
    document.adjusters.some((entry) => entry.kind === kind),
  ).map((kind) => ({
    kind,
    check: checks.findIndex(({ summary: { scope } }) => scope?.kinds?.includes(kind) ?? true),
  }));
  // Newest first, and what was never checked here is the oldest of all.
  const age = ({ check }: (typeof lasts)[number]) => (check < 0 ? Infinity : check);
  const oldest = Math.max(0, ...lasts.map(age));
  const kinds = lasts.filter((each) => age(each) === oldest).map(({ kind }) => kind);
  return {
    ...countedFrom(checks[oldest], baseline, readings),
    breakInDone: baseline.breakInDone || checks[oldest] !== undefined,
    kinds: kinds.length === lasts.length ? [] : kinds,
  };
}

/**
 * Months count from the day a check was signed, hours from what the meter showed at it. Where it was
 * not read, they count from what it showed last before: it is due too early rather than too late.
 * Before the first check they count from what was known of the machine.
 */
function countedFrom(
  check: JobLine | undefined,
  baseline: Baseline,
  readings: readonly HoursReading[],
): Pick<ServiceHistory, 'last' | 'lastOn' | 'notRead'> {
  if (!check) return { last: baseline.last };
  const { hours, signed } = check.summary;
  const lastOn = dayOf(signed?.at ?? check.at);
  if (hours) return { last: hours, lastOn };
  const before = readings.filter(({ date }) => daysBetween(date, lastOn) >= 0).at(-1);
  return { last: before ?? baseline.last, lastOn, notRead: true };
}

/**
 * What is due, and of which kinds where the others were checked since. By drift it is the engine, for
 * the adjuster that may be out can be one that was checked since.
 */
function withKinds(due: MachineLine['due'], kinds: AdjusterKind[]): MachineLine['due'] {
  if (!due || due.by === 'drift' || kinds.length === 0) return due;
  const why = `${due.why} Only the ${kindsInWords(kinds)}: the rest was checked since.`;
  return { ...due, kinds, why };
}

/** What the meter showed, without what else is known of the reading. */
function shown(reading: HoursReading | null): HoursReading | null {
  return reading && { date: reading.date, hours: reading.hours };
}
