import { dueAtWords, isOverdue, takesWords } from '@longbar/core';
import type { Response } from 'express';
import type { ICalEventData } from 'ical-generator';
import ical, { ICalCalendarMethod } from 'ical-generator';
import { inSlices } from '../inSlices';
import type { Database } from '../store/sql/database';
import { listMachines } from '../store/derived/machines';
import { readShop } from '../store/yard/shop';
import { readPlan } from '../store/planning/weeks';

/** Subscribed calendars ask again after so long, s. */
const REFRESH = 6 * 3600;
/** From Monday on: a planned check stands on the days of its week that are worked. */
const WORKING_DAYS = 5;

/**
 * The due dates of the yard as an iCalendar (RFC 5545): an all-day event over the days between
 * which each check falls due, and one over the week that each is planned in. An overdue one stands on
 * today.
 */
export async function sendCalendar(db: Database, today: string, response: Response): Promise<void> {
  const [machines, shop, { machines: planned }] = await Promise.all([
    listMachines(db, today),
    readShop(db),
    readPlan(db, today),
  ]);
  const events: ICalEventData[] = [];
  for (const { id, name, engine, due } of machines) {
    if (!due) continue;
    const overdue = isOverdue(due, today);
    const from = overdue ? today : due.date?.from;
    const to = overdue ? today : due.date?.to;
    if (from === undefined || to === undefined) continue;
    events.push({
      id: `${id}@longbar`,
      summary: `${name}: ${overdue ? 'check overdue' : 'check due'}`,
      description: `${engine}. ${due.why} ${dueAtWords(due)}`.trimEnd(),
      allDay: true,
      start: midnight(from),
      end: midnight(to, 1),
      stamp: midnight(today),
    });
  }
  for (const { id, name, engine, takes, planned: plan } of planned) {
    if (!plan) continue;
    events.push({
      id: `${id}-planned@longbar`,
      summary: `${name}: check planned${plan.who === null ? '' : `, ${plan.who}`}`,
      description: `${engine}. ${takesWords(takes)}`,
      allDay: true,
      start: midnight(plan.week),
      end: midnight(plan.week, WORKING_DAYS),
      stamp: midnight(today),
    });
  }
  response.type('text/calendar; charset=utf-8');
  response.set('Content-Disposition', 'attachment; filename="long-bar-due.ics"');
  response.send(await inSlices(calendarOf(`${shop.name}: checks due`, events)));
}

/** The calendar as text. An event takes half a millisecond: those of a whole yard are written in turn. */
function* calendarOf(name: string, events: readonly ICalEventData[]): Generator<void, string> {
  const about = {
    name,
    prodId: { company: 'Long Bar', product: 'Long Bar', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: REFRESH,
  } as const;
  const [begin = '', end = ''] = ical(about)
    .toString()
    .split(/(?=END:VCALENDAR)/);
  let text = begin;
  for (const event of events) {
    const alone = ical({ ...about, events: [event] }).toString();
    text += alone.slice(begin.length, alone.length - end.length);
    yield;
  }
  return text + end;
}

/** The start of a calendar day where this server runs, or so many days on. */
function midnight(date: string, later = 0): Date {
  const [year = 0, month = 1, day = 1] = date.slice(0, 10).split('-').map(Number);
  return new Date(year, month - 1, day + later);
}
