import { itemAt } from '../itemAt';
import { dayOf, daysBetween } from '../calendar';
import { formatDay, formatHours } from '../units';
import type { HoursReading, MeterChange, Use } from './hours';
import { engineHours, useOf } from './hours';
import { inMeterOrder } from './meter';

/** More than a day has is impossible; this much over the usual use is questioned. */
const HOURS_A_DAY = 24;
const FAR_ABOVE = 4;

/** What is doubtful about a reading, in a sentence. */
export type HoursDoubt = { doubt: 'below' | 'above' | 'impossible' | 'far'; says: string };

/**
 * What may be doubted about readings of one hour meter, one after the other. Its use is what
 * the readings known at the beginning tell, so that a long table is questioned in one go.
 */
export class HoursQuestions {
  /** By day; of one day, the fewer hours first. */
  private readonly inOrder: HoursReading[];
  private readonly known: HoursReading[];
  private readonly uses = new Map<string, Use | undefined>();

  constructor(
    known: readonly HoursReading[],
    private readonly meter: readonly MeterChange[],
  ) {
    this.inOrder = [...known].sort(
      (a, b) => dayOf(a.date).localeCompare(dayOf(b.date)) || a.hours - b.hours,
    );
    this.known = [...this.inOrder];
  }

  /** Whether this very reading is known already. */
  knows(reading: HoursReading): boolean {
    for (let i = firstAt(this.inOrder, dayOf(reading.date)); i < this.inOrder.length; i++) {
      const each = itemAt(this.inOrder, i);
      if (dayOf(each.date) !== dayOf(reading.date)) return false;
      if (each.hours === reading.hours) return true;
    }
    return false;
  }

  /** Takes a reading for known from here on. */
  add(reading: HoursReading): void {
    let at = firstAt(this.inOrder, dayOf(reading.date));
    const isBefore = (each: HoursReading | undefined) =>
      each !== undefined && dayOf(each.date) === dayOf(reading.date) && each.hours <= reading.hours;
    while (isBefore(this.inOrder[at])) at++;
    this.inOrder.splice(at, 0, reading);
  }

  /**
   * One below its neighbours is either misread or the meter was replaced or reset; more than the
   * days between hold is impossible, and so is more than a day apart on one day; far above the
   * usual use is asked about. Undefined where nothing is doubtful.
   */
  ask(reading: HoursReading): HoursDoubt | undefined {
    const at = firstAt(this.inOrder, dayOf(reading.date));
    const next = firstAt(this.inOrder, nextDay(dayOf(reading.date)));
    const after = this.inOrder[next];
    const hours = engineHours(reading, this.meter);
    // Which of a day's readings came first is not known, but not how far apart they may be.
    const apart = this.inOrder
      .slice(at, next)
      .find((each) => Math.abs(engineHours(each, this.meter) - hours) > HOURS_A_DAY);
    const before = apart ?? this.inOrder[at - 1];
    if (before && isLess(reading, before, this.meter)) {
      return {
        doubt: 'below',
        says: `The meter showed ${said(before)} already. Read it once more, or say that the meter was replaced or reset.`,
      };
    }
    if (after && isLess(after, reading, this.meter)) {
      return { doubt: 'above', says: `The meter showed only ${said(after)}. Read it once more.` };
    }
    if (!before) return undefined;
    const days = daysBetween(before.date, reading.date);
    const added = hours - engineHours(before, this.meter);
    // The day it was read on and the day itself both count.
    if (added > HOURS_A_DAY * (days + 1)) {
      return {
        doubt: 'impossible',
        says: `${formatHours(added)} h in ${daysWords(days)} is more than there are. The meter showed ${said(before)}.`,
      };
    }
    const use = this.useBefore(dayOf(reading.date));
    if (use && days > 0 && added / days > FAR_ABOVE * Math.max(use.fast, use.perDay)) {
      const usual = Math.round(use.perDay * 365);
      return {
        doubt: 'far',
        says: `That is ${formatHours(added)} h in ${daysWords(days)}; it is used about ${formatHours(usual)} h a year. Read it once more.`,
      };
    }
    return undefined;
  }

  /** The use as what was known before a day tells it; worked out once for each last reading. */
  private useBefore(day: string): Use | undefined {
    const last = this.known[firstAt(this.known, day) - 1];
    if (!last) return undefined;
    const until = dayOf(last.date);
    if (!this.uses.has(until)) {
      const engine = this.known.map((each) => ({ ...each, hours: engineHours(each, this.meter) }));
      this.uses.set(until, useOf(engine, last.date));
    }
    return this.uses.get(until);
  }
}

/** Whether a meter went backwards. Whoever reads whole hours leaves out what ran since the last. */
function isLess(later: HoursReading, before: HoursReading, meter: readonly MeterChange[]): boolean {
  const less = engineHours(before, meter) - engineHours(later, meter);
  return Number.isInteger(later.hours) ? less >= 1 : less > 0;
}

const said = ({ hours, date }: HoursReading) => `${formatHours(hours)} h on ${formatDay(date)}`;

function daysWords(days: number): string {
  return days <= 1 ? 'a day' : `${days} days`;
}

/** Sorts after every reading of the day, and before those of the next. */
function nextDay(day: string): string {
  return `${day}~`;
}

/** The place of the first reading that is not before this day. */
function firstAt(inOrder: readonly HoursReading[], day: string): number {
  let [low, high] = [0, inOrder.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (dayOf(itemAt(inOrder, middle).date) < day) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** What is doubtful about one new reading of the hour meter; undefined where nothing is. */
export function questionHours(
  reading: HoursReading,
  known: readonly HoursReading[],
  meter: readonly MeterChange[],
): HoursDoubt | undefined {
  return new HoursQuestions(known, meter).ask(reading);
}

/**
 * Where a machine's readings run against each other, as where a phone without signal read less than
 * a fleet's service had told meanwhile: the newest that is below an earlier day's, in a sentence.
 * Undefined where they only grow.
 *
 * @example hoursAgainst([{ date: '2026-05-01', hours: 90 }, { date: '2026-05-02', hours: 80 }], [])
 *   // '80 h on 2 May 2026 is less than the 90 h on 1 May 2026: one of the two is wrong.'
 */
export function hoursAgainst(
  readings: readonly HoursReading[],
  meter: readonly MeterChange[],
): string | undefined {
  const inOrder = inMeterOrder(readings, meter);
  const at = inOrder.findLastIndex((later, i) => {
    const before = inOrder[i - 1];
    return before !== undefined && isLess(later, before, meter);
  });
  const [earlier, later] = [inOrder[at - 1], inOrder[at]];
  if (!earlier || !later) return undefined;
  return `${said(later)} is less than the ${said(earlier)}: one of the two is wrong.`;
}
