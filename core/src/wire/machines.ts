import * as v from 'valibot';
import { BARRING_METHODS } from '../barring/methods';
import { SheetSchema } from '../engine/sheet';
import { ReadingSchema } from '../gauging/reading';
import { count } from '../job/journal/fields';
import { JobHeadSchema } from '../job/journal/jobHead';
import { POLICIES } from '../gauging/judgeReading';
import { ROUND_RULES } from '../job/journal/roundRule';
import { FindingSchema } from '../service/findings';

/** What the server says of machines and jobs; one schema for both ends of the wire. */

const hoursReading = v.object({ date: v.string(), hours: v.number() });
const span = v.object({ from: v.string(), to: v.string() });

const nextDue = v.object({
  by: v.picklist(['break-in', 'hours', 'months']),
  atHours: v.nullable(v.number()),
  hoursLeft: v.nullable(v.number()),
  date: v.nullable(span),
  why: v.string(),
});

const machineNote = v.object({ text: v.string(), by: v.string(), at: v.string() });
export type MachineNote = v.InferOutput<typeof machineNote>;

const lockPair = v.object({ by: v.string(), before: v.number(), after: v.number() });

const jobSummary = v.object({
  /** The hour meter as read in the job. */
  hours: v.nullable(hoursReading),
  /** Where an open job stands; null once it is signed. */
  step: v.nullable(v.object({ title: v.string(), place: v.number(), of: v.number() })),
  set: v.object({ done: v.number(), of: v.number() }),
  signed: v.nullable(
    v.object({ name: v.string(), at: v.string(), incomplete: v.optional(v.boolean()) }),
  ),
  /** What the next one at this machine should know. */
  notes: v.array(machineNote),
});
/** What the yard and the machine's page say of a job. */
export type JobSummary = v.InferOutput<typeof jobSummary>;

const jobCheck = v.object({
  hours: v.nullable(hoursReading),
  /** How each adjuster was found, before anything was loosened. */
  found: v.record(v.string(), ReadingSchema),
  /** How each adjuster stood at the end. */
  left: v.record(v.string(), ReadingSchema),
  /** The data tag read on the engine. */
  tag: v.optional(v.string()),
  /** The head was off since the check before. */
  disturbed: v.boolean(),
  /** The shim each bucket was left with, µm. */
  shims: v.record(v.string(), v.number()),
  /** What locking did, by person. */
  lockPairs: v.array(lockPair),
});
/** What a job measured, each adjuster as found and as left. */
export type JobCheck = v.InferOutput<typeof jobCheck>;

const jobLine = v.object({
  id: v.string(),
  at: v.string(),
  by: v.string(),
  method: v.picklist(BARRING_METHODS),
  sheetRevision: v.number(),
  summary: jobSummary,
});
export type JobLine = v.InferOutput<typeof jobLine>;

const machineLine = {
  id: v.string(),
  name: v.string(),
  engine: v.string(),
  sheet: v.object({ id: v.string(), revision: v.number() }),
  hours: v.nullable(hoursReading),
  due: v.nullable(nextDue),
  /** The interval the due hours are counted in. */
  interval: v.nullable(v.number()),
  /** Where drift asks for a look before the maker's interval is up: which, and when. */
  recheck: v.nullable(
    v.object({ adjuster: v.string(), atHours: v.number(), hoursLeft: v.number() }),
  ),
  jobs: v.object({ open: v.nullable(jobLine), signed: v.number() }),
};

const lastLeft = v.nullable(
  v.object({
    hours: v.nullable(hoursReading),
    readings: v.record(v.string(), ReadingSchema),
    shims: v.optional(v.record(v.string(), v.number())),
  }),
);

/** What locking did on engines of this type before, by person. */
const lockPairs = v.optional(v.array(lockPair));

export const MachineLinesSchema = v.array(v.object(machineLine));
/** A machine as the yard shows it. */
export type MachineLine = v.InferOutput<typeof MachineLinesSchema>[number];

export const MachineDetailSchema = v.object({
  ...machineLine,
  document: SheetSchema,
  /** From each date on, what is added to the meter for the engine's hours. */
  meter: v.array(v.object({ date: v.string(), offset: v.number() })),
  /** Newest first. */
  readings: v.array(hoursReading),
  history: v.array(jobLine),
  /** What the last check tells, to be looked at before anything is adjusted. */
  findings: v.array(FindingSchema),
  lastLeft,
  notes: v.optional(v.array(machineNote)),
  lockPairs,
});
/** A machine with its sheet, readings and signed jobs. */
export type MachineDetail = v.InferOutput<typeof MachineDetailSchema>;

/** The signed checks of one machine, newest first. */
export const ChecksSchema = v.array(jobCheck);

const micrometres = v.pipe(
  v.number('A size is a whole number of µm.'),
  v.integer('A size is a whole number of µm.'),
  v.minValue(1, 'A size is more than nothing.'),
);
const bladeSet = v.object({
  name: v.pipe(v.string(), v.trim(), v.nonEmpty('A blade set has a name.')),
  unit: v.picklist(['mm', 'inch']),
  /** Forked: reads both adjusters of a pair at once. */
  forked: v.optional(v.boolean()),
  blades: v.pipe(
    v.array(v.union([micrometres, v.object({ go: micrometres, noGo: micrometres })])),
    v.nonEmpty('A blade set has at least one blade.'),
  ),
});

export const ShopSchema = v.object({
  name: v.pipe(v.string(), v.trim(), v.nonEmpty('The shop has a name.')),
  policy: v.picklist(POLICIES),
  bladeSets: v.array(bladeSet),
  /** What is read once more on the round. */
  round: v.optional(v.picklist(ROUND_RULES)),
  /** The shims in the drawer, and those that can be bought, µm. */
  shims: v.optional(
    v.object({
      stock: v.array(v.object({ size: micrometres, count })),
      buy: v.object({ from: micrometres, to: micrometres, step: micrometres }),
    }),
  ),
  /** From when on a check counts as soon: so many hours or days before it is due. */
  soon: v.optional(v.object({ hours: v.number(), days: v.number() })),
});
export type Shop = v.InferOutput<typeof ShopSchema>;

export const JobContextSchema = v.object({
  head: JobHeadSchema,
  machineName: v.string(),
  sheet: SheetSchema,
  shop: ShopSchema,
  /** What each adjuster was left at last time, and the hours then. */
  lastLeft,
  /** What earlier jobs at this machine left for the next one, newest first. */
  notes: v.optional(v.array(machineNote)),
  lockPairs,
});
/** What working on a job needs besides its journal. */
export type JobContext = v.InferOutput<typeof JobContextSchema>;
