/** Which unit comes first where a figure is shown in two, and alone where a gap is shown in one. */
export type Units = { length: 'mm' | 'thou'; torque: 'N·m' | 'lb·ft'; temperature: '°C' | '°F' };

export const USUAL_UNITS: Units = { length: 'mm', torque: 'N·m', temperature: '°C' };

/** By which units figures are shown, and by which clock; without them the usual and the machine's own. */
export type Shown = { units?: Units | undefined; timeZone?: string | undefined };

let shown: () => Shown = () => ({});

/**
 * Says by whom this program asks how it shows figures and days, each time anew: a server works for
 * several shops at once, each with units and a time zone of its own. It changes words, and on which
 * day an instant fell; nothing that is measured is computed or kept by it.
 */
export function showBy(asked: () => Shown): void {
  shown = asked;
}

/** Says by which units this program shows its figures from here on. */
export function showUnits(units: Units | undefined): void {
  showBy(() => ({ units }));
}

/** The units in force. */
export function unitsShown(): Units {
  return shown().units ?? USUAL_UNITS;
}

/** An instant as a clock on the wall shows it. */
export type WallClock = {
  year: number;
  /** 1 is January. */
  month: number;
  day: number;
  hour: number;
  minute: number;
};

/** What the clock on the wall shows at an instant, by the time zone in force. */
export function wallClock(instant: Date): WallClock {
  const { timeZone } = shown();
  if (timeZone !== undefined) return clockIn(timeZone, instant);
  return {
    year: instant.getFullYear(),
    month: instant.getMonth() + 1,
    day: instant.getDate(),
    hour: instant.getHours(),
    minute: instant.getMinutes(),
  };
}

/** The clock of a time zone, and what it was found to show, by the instant in ms. */
type ZoneClock = { format: Intl.DateTimeFormat; known: Map<number, WallClock> };

/** To make a format costs more than all it is asked for. */
const clocks = new Map<string, ZoneClock>();

/** So many instants of a zone are remembered: readings are put in order by the days of each pair. */
const REMEMBERED = 10_000;

function clockIn(timeZone: string, instant: Date): WallClock {
  const clock = clocks.get(timeZone) ?? clockOf(timeZone);
  const before = clock.known.get(instant.getTime());
  if (before) return before;
  const parts = Object.fromEntries(
    clock.format.formatToParts(instant).map(({ type, value }) => [type, Number(value)]),
  );
  const { year = 0, month = 0, day = 0, hour = 0, minute = 0 } = parts;
  const shows = { year, month, day, hour, minute };
  if (clock.known.size >= REMEMBERED) clock.known.clear();
  clock.known.set(instant.getTime(), shows);
  return shows;
}

function clockOf(timeZone: string): ZoneClock {
  const format = new Intl.DateTimeFormat('en', {
    ...{ timeZone, hourCycle: 'h23', year: 'numeric', month: 'numeric', day: 'numeric' },
    ...{ hour: 'numeric', minute: 'numeric' },
  });
  const made = { format, known: new Map<number, WallClock>() };
  clocks.set(timeZone, made);
  return made;
}
