import { MOST_HOURS } from '../bounds';
import type { HoursReading, MeterChange } from '../service/hours';
import { HoursQuestions } from '../service/questionHours';
import { readNumber } from '../typedNumber';
import type { HoursColumns } from '../wire/hoursFile';
import type { LineIssue } from './archive';

/** A line of the table, its cells and where it stands in the file, counted from 1. */
export type TableRow = { line: number; cells: readonly string[] };
/** What is known of a machine's hours before. */
export type KnownHours = {
  id: string;
  name: string;
  meter: readonly MeterChange[];
  readings: readonly HoursReading[];
};
export type ReadHours = {
  readings: (HoursReading & { machine: string })[];
  known: number;
  issues: LineIssue[];
};

const WORDS = {
  machine: /machine|unit|asset|vehicle|equipment|name/i,
  date: /date|time|day|read/i,
  hours: /hour|meter|hrs|smu/i,
};

/** So many lines tell what the columns are, and so many columns a table has. */
const [TELLING_LINES, MOST_COLUMNS] = [1000, 1000];

/** Which columns are likely which, by what the header calls them and by what stands in them. */
export function guessColumns(header: readonly string[], rows: readonly TableRow[]): HoursColumns {
  const names = header.slice(0, MOST_COLUMNS);
  const telling = rows.slice(0, TELLING_LINES);
  const isDay = (cell = '') => [true, false].some((dayFirst) => dayWritten(cell, dayFirst));
  const dated = (at: number) => telling.some(({ cells }) => isDay(cells[at]));
  const counted = (at: number) =>
    telling.some(({ cells }) => figureOf(cells[at] ?? '') !== undefined);
  const find = (words: RegExp, fits: (at: number) => boolean) =>
    names.findIndex((cell, at) => words.test(cell) && fits(at));
  const anyDate = names.findIndex((_, at) => dated(at));
  const named = find(WORDS.date, dated);
  const date = Math.max(0, named >= 0 ? named : anyDate);
  const hours = find(WORDS.hours, (at) => at !== date && counted(at));
  const machine = find(WORDS.machine, (at) => at !== date && at !== hours);
  const monthFirst = rows.some(({ cells }) =>
    /^\d{1,2}[/.-](1[3-9]|2\d|3[01])[/.-]/.test(cells[date] ?? ''),
  );
  return {
    machine: machine >= 0 ? machine : null,
    date,
    hours: Math.max(0, hours),
    dayFirst: !monthFirst,
  };
}

/**
 * The readings of the hour meter in a table: of each machine and day the last one, in order of
 * the days, those known already left out. Each is questioned like one that is typed; a mistake
 * names its line. `only` is the machine of a table that names none. A long table takes seconds: it
 * stops after each line, so that whoever runs it can see to others between.
 */
export function* readHours(
  rows: readonly TableRow[],
  columns: HoursColumns,
  yard: readonly KnownHours[],
  only: string | null,
  today: string,
): Generator<void, ReadHours> {
  const issues: LineIssue[] = [];
  const byName = new Map(yard.map((machine) => [plain(machine.name), machine]));
  const one = yard.find(({ id }) => id === only);
  const byDay = new Map<string, { line: number; machine: KnownHours; reading: HoursReading }>();
  let known = 0;
  for (const { line, cells } of rows) {
    yield;
    const wrong = (path: string, message: string) => issues.push({ line, path, message });
    const machine =
      columns.machine === null ? one : byName.get(plain(cells[columns.machine] ?? ''));
    const date = dayWritten(cells[columns.date] ?? '', columns.dayFirst);
    const hours = figureOf(cells[columns.hours] ?? '');
    if (!machine) {
      const said = columns.machine === null ? '' : (cells[columns.machine] ?? '');
      wrong('machine', said ? `No machine of the yard is called “${said}”.` : 'Which machine?');
    } else if (date === undefined) wrong('date', 'A date is written 2026-05-02 or 2/5/2026.');
    else if (date > today) wrong('date', 'The date lies ahead.');
    else if (hours === undefined) wrong('hours', 'Hours are a number, such as 6612.');
    else {
      const key = `${machine.id} ${date}`;
      const other = byDay.get(key);
      if (other) known++;
      if (!other || other.reading.hours <= hours) {
        byDay.set(key, { line, machine, reading: { date, hours } });
      }
    }
  }
  const fresh = [...byDay.values()].sort((a, b) => byDate(a.reading, b.reading));
  const questions = new Map<string, HoursQuestions>();
  const readings: ReadHours['readings'] = [];
  for (const { line, machine, reading } of fresh) {
    yield;
    const own = questions.get(machine.id) ?? new HoursQuestions(machine.readings, machine.meter);
    questions.set(machine.id, own);
    if (own.knows(reading)) {
      known++;
      continue;
    }
    const doubt = own.ask(reading);
    if (doubt) issues.push({ line, path: 'hours', message: doubt.says });
    else {
      own.add(reading);
      readings.push({ machine: machine.id, ...reading });
    }
  }
  issues.sort((a, b) => a.line - b.line);
  return { readings, known, issues };
}

/** By day alone: what stands first in the table stays first. */
function byDate(a: HoursReading, b: HoursReading): number {
  if (a.date === b.date) return 0;
  return a.date < b.date ? -1 : 1;
}

function plain(name: string): string {
  return name.trim().toLowerCase().replace(/\s+/g, ' ');
}

/** The day a cell begins with, as 2026-05-02; undefined where it is none. */
function dayWritten(cell: string, dayFirst: boolean): string | undefined {
  const text = cell.trim();
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?!\d)/.exec(text);
  const local = /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4})(?!\d)/.exec(text);
  const [year, month, day] = iso
    ? [iso[1], iso[2], iso[3]]
    : local
      ? [local[3], local[dayFirst ? 2 : 1], local[dayFirst ? 1 : 2]]
      : [];
  if (year === undefined || month === undefined || day === undefined) return undefined;
  const written = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  const instant = Date.parse(`${written}T00:00:00Z`);
  // The 31st of a short month is parsed as no date, or as another day.
  const there = Number.isFinite(instant) && new Date(instant).toISOString().startsWith(written);
  return there ? written : undefined;
}

/** No hours are written longer, with their unit. */
const LONGEST_FIGURE = 40;

/** A figure as 6612.5, 6,612.5, 6.612,5, 6612,5 or 6612:30; undefined where it is none. */
function figureOf(cell: string): number | undefined {
  const whole = cell.trim();
  if (whole.length > LONGEST_FIGURE) return undefined;
  const text = whole.replace(/h(ours|rs)?$/i, '').trimEnd();
  const minutes = /^(\d+):([0-5]\d)(:[0-5]\d)?$/.exec(text);
  const figure = minutes
    ? Number(minutes[1]) + Number(minutes[2]) / 60
    : (readNumber(text, { groups: true }) ?? NaN);
  const fits = figure >= 0 && figure <= MOST_HOURS;
  return fits ? Math.round(figure * 100) / 100 : undefined;
}
