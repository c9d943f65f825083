import * as v from 'valibot';
import { wordsUpTo } from '../bounds';
import { UuidSchema } from '../job/journal/fields';
import { PLANNED_WEEKS } from '../weeks/weeks';
import { machineLine } from './machines';

/** A machine as a company sees it beside those of its other shops. */
const companyMachine = v.object({
  id: machineLine.id,
  name: machineLine.name,
  engine: machineLine.engine,
  due: machineLine.due,
  interval: machineLine.interval,
  recheck: machineLine.recheck,
  /** How pressing its check is, by its own shop's rules and days. */
  urgency: v.picklist(['overdue', 'soon', 'later', 'unknown']),
  /** Somebody works on it: it stays where it is until that is signed. */
  isOpen: v.boolean(),
});
export type CompanyMachine = v.InferOutput<typeof companyMachine>;

const companyShop = v.object({
  id: v.string(),
  name: v.string(),
  machines: v.array(companyMachine),
  /** The work that is planned in each of the coming weeks, minutes. */
  planned: v.pipe(v.array(v.number()), v.length(PLANNED_WEEKS)),
  /** So many hours a week go into checks there, where the shop says so. */
  hoursAWeek: v.nullable(v.number()),
});
export type CompanyShop = v.InferOutput<typeof companyShop>;

/** The shops of a company side by side, for the foremen of the one that it is run from. */
export const CompanySchema = v.object({
  name: v.string(),
  /** The Mondays of the coming weeks, this week's first. */
  weeks: v.pipe(v.array(v.string()), v.length(PLANNED_WEEKS)),
  shops: v.array(companyShop),
});
export type Company = v.InferOutput<typeof CompanySchema>;

/** A machine goes from one shop of the company to another, with its past. */
export const CompanyMoveSchema = v.object({
  machine: UuidSchema,
  from: UuidSchema,
  to: UuidSchema,
});
export type CompanyMove = v.InferOutput<typeof CompanyMoveSchema>;

/** A sheet that a company offers to its shops. */
const companySheet = v.object({
  id: v.string(),
  name: v.string(),
  revision: v.number(),
  /** The revision that the shop that asks has; null where it has none. */
  here: v.nullable(v.number()),
});
export type CompanySheet = v.InferOutput<typeof companySheet>;

/** The sheets that the company of a shop offers; of no company there are none. */
export const CompanySheetsSchema = v.object({
  company: v.nullable(v.string()),
  /** The company is run from this shop: it offers, and the others take. */
  runFromHere: v.boolean(),
  sheets: v.array(companySheet),
});
export type CompanySheets = v.InferOutput<typeof CompanySheetsSchema>;

/** A sheet is offered to the shops of the company, or no more. */
export const CompanySheetPutSchema = v.object({ offered: v.boolean() });

/** What a company is called. */
export const CompanyNameSchema = wordsUpTo(200, 'The company has a name.');
