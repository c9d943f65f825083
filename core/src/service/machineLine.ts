import type { EngineSheet } from '../engine/sheet';
import type { AboutMachine } from '../wire/machineForm';
import type { JobLine, MachineLine } from '../wire/machines';
import type { Baseline } from './baseline';
import type { HoursReading, MeterChange } from './hours';
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
  recheck: MachineLine['recheck'];
};

/**
 * A machine as the yard shows it on a day: its hours, what is due and when, its jobs. The server
 * and a phone without signal work it out alike.
 *
 * @example machineLineOf({ id: '1', name: 'Pump', sheet: { id: '2', revision: 1 }, document: six, meter: [], baseline: { last: null, breakInDone: false }, about: {}, retired: false }, { jobs: [], readings: [], recheck: null }, '2026-05-02').due.by
 *   // 'break-in'
 */
export function machineLineOf(
  machine: MachineBasis,
  { jobs, readings, recheck }: MachinePast,
  today: string,
): MachineLine {
  const { document, baseline, meter } = machine;
  const { service } = document;
  // An incomplete job is on record, but the check it was to be is still due.
  const checks = jobs.filter(
    ({ summary: { hours, signed } }) => hours && signed && !signed.incomplete,
  );
  const last = checks[0]?.summary.hours ?? baseline.last;
  const breakInDone = baseline.breakInDone || checks.length > 0;
  const due = nextDue({ ...baseline, service, meter, last, breakInDone }, readings, today) ?? null;
  return {
    id: machine.id,
    name: machine.name,
    engine: document.name,
    sheet: machine.sheet,
    ...machine.about,
    ...(machine.retired && { retired: true }),
    hours: shown(readings.at(-1) ?? last),
    due,
    interval: (due?.by === 'break-in' ? service?.breakInHours : service?.everyHours) ?? null,
    recheck,
    jobs: {
      open: jobs.find(({ summary }) => !summary.signed && !summary.abandoned) ?? null,
      signed: checks.length,
    },
  };
}

/** What the meter showed, without what else is known of the reading. */
function shown(reading: HoursReading | null): HoursReading | null {
  return reading && { date: reading.date, hours: reading.hours };
}
