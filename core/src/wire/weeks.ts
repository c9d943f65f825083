import * as v from 'valibot';
import { wordsUpTo } from '../bounds';
import { UuidSchema } from '../job/journal/fields';
import { DateSchema } from '../service/hours';
import { PLANNED_WEEKS, mondayOf } from '../weeks/weeks';
import { nextDue } from './machines';

const week = v.pipe(DateSchema, v.check(isMonday, 'A week is named by its Monday, as 2026-05-04.'));
/** What is no day at all is said by the rule for days: it has no week. */
function isMonday(day: string): boolean {
  return Number.isNaN(Date.parse(day)) || day === mondayOf(day);
}
const sizes = v.array(v.object({ size: v.number(), count: v.number() }));
const minutes = { median: v.number(), late: v.number() };

/** A machine as the planner has it. */
const plannedMachine = v.object({
  id: v.string(),
  name: v.string(),
  engine: v.string(),
  place: v.optional(v.string()),
  due: v.nullable(nextDue),
  /** The weeks between which it falls due, from this one on; null where no date can be said. */
  span: v.nullable(v.object({ from: v.number(), to: v.number() })),
  /** How long it takes, in minutes: by past checks, or as its sheet guesses. */
  takes: v.nullable(
    v.variant('by', [
      v.object({ by: v.literal('past'), of: v.number(), ...minutes }),
      v.object({ by: v.literal('sheet'), ...minutes }),
    ]),
  ),
  /** The week it was put into, by its Monday, and who does it. */
  planned: v.nullable(v.object({ week: v.string(), who: v.nullable(v.string()) })),
});
export type PlannedMachine = v.InferOutput<typeof plannedMachine>;

/** The coming weeks: what is due, what is planned, and what has to be there for it. */
export const WeeksSchema = v.object({
  /** The Mondays, this week's first. */
  weeks: v.pipe(v.array(v.string()), v.length(PLANNED_WEEKS)),
  /** So many hours a week go into checks, where the shop says so. */
  hoursAWeek: v.nullable(v.number()),
  machines: v.array(plannedMachine),
  parts: v.array(v.object({ part: v.string(), machines: v.array(v.string()), by: v.string() })),
  shims: v.array(v.object({ machine: v.string(), by: v.string(), fromStock: sizes, buy: sizes })),
});
export type Weeks = v.InferOutput<typeof WeeksSchema>;

/** A machine is put into a week, or taken out of the plan. */
export const PlanPutSchema = v.object({
  week: v.nullable(week),
  /** Who does it; where absent, whoever did before. */
  who: v.optional(v.nullable(wordsUpTo(80, 'Give a name.'))),
});
export type PlanPut = v.InferOutput<typeof PlanPutSchema>;

/** What is offered: the weeks of machines that nobody has planned yet. */
export const OfferSchema = v.object({
  moves: v.array(v.object({ machine: v.string(), week: v.string() })),
  /** Whether no plan is better by what is weighed; else by how much one may be, in per cent. */
  exact: v.boolean(),
  within: v.nullable(v.number()),
});
export type Offer = v.InferOutput<typeof OfferSchema>;

/** Machines are put into weeks together, all of them or none. */
export const PlansPostSchema = v.object({
  moves: v.pipe(v.array(v.object({ machine: UuidSchema, week })), v.maxLength(1000)),
});
export type PlansPost = v.InferOutput<typeof PlansPostSchema>;
