import * as v from 'valibot';
import { BARRING_METHODS } from '../barring/methods';
import { ADJUSTER_ID, KIND_NAMES } from '../engine/kinds';
import { SheetSchema } from '../engine/sheet';
import { RatesSchema } from '../gauging/rates';
import { ReadingSchema } from '../gauging/reading';
import { JobHeadSchema } from '../job/journal/jobHead';
import { scopeFields } from '../job/journal/scope';
import { FindingSchema } from '../service/finding';
import { BaselineSchema } from '../service/baseline';
import { aboutMachine } from './machineForm';
import { ShopSchema } from './shop';

/** What the server says of machines and jobs; one schema for both ends of the wire. */

export const hoursReading = v.object({ date: v.string(), hours: v.number() });
/** `replaced` where it is the first of another meter, or of one that was reset. */
const replaced = v.optional(v.boolean());
const readingOnRecord = v.object({
  date: v.string(),
  hours: v.number(),
  replaced,
  /** It was a mistake altogether: kept, and not counted. */
  takenBack: v.optional(v.literal(true)),
  /** Names it to whoever corrects it; none where it belongs to what the yard began with. */
  id: v.optional(v.string()),
  /** What stood there before it was corrected, the oldest first. */
  was: v.optional(v.array(v.number())),
});
/** A reading of the hour meter as the machine's page has it. */
export type ReadingOnRecord = v.InferOutput<typeof readingOnRecord>;

const span = v.object({ from: v.string(), to: v.string() });

export const nextDue = v.object({
  by: v.picklist(['break-in', 'hours', 'months', 'drift']),
  atHours: v.nullable(v.number()),
  /** What the meter that is fitted shows then. */
  onMeter: v.optional(v.nullable(v.number())),
  hoursLeft: v.nullable(v.number()),
  date: v.nullable(span),
  why: v.string(),
  /** The kinds it is due of, where the others were checked since. */
  kinds: v.optional(v.array(v.picklist(KIND_NAMES))),
});

const machineNote = v.object({ text: v.string(), by: v.string(), at: v.string() });
export type MachineNote = v.InferOutput<typeof machineNote>;

const lockPair = v.object({ by: v.string(), before: v.number(), after: v.number() });

const jobSummary = v.object({
  /** The hour meter as read in the job. */
  hours: v.nullable(v.object({ ...hoursReading.entries, replaced })),
  /** Where an open job stands; null once it is signed. */
  step: v.nullable(v.object({ title: v.string(), place: v.number(), of: v.number() })),
  set: v.object({ done: v.number(), of: v.number() }),
  signed: v.nullable(
    v.object({ name: v.string(), at: v.string(), incomplete: v.optional(v.boolean()) }),
  ),
  /** What it was about, where that was not all of the engine. */
  scope: v.optional(v.object(scopeFields)),
  /** Begun by mistake, and why. */
  abandoned: v.optional(v.object({ reason: v.string(), by: v.string(), at: v.string() })),
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
  /** Which of them were changed and not read since, as where a nut broke. */
  leftUnread: v.optional(v.array(v.string())),
  /** The data tag read on the engine. */
  tag: v.optional(v.string()),
  /** The head was off since the check before. */
  disturbed: v.boolean(),
  /** The shim each bucket was left with, µm. */
  shims: v.record(v.string(), v.number()),
  /** What locking did, by person. */
  lockPairs: v.array(lockPair),
  /** How long the work took, pauses left out; of a job that was about all of the engine. */
  minutes: v.optional(v.number()),
});
/** What a job measured, each adjuster as found and as left. */
export type JobCheck = v.InferOutput<typeof jobCheck>;

export const jobLine = v.object({
  id: v.string(),
  at: v.string(),
  by: v.string(),
  method: v.picklist(BARRING_METHODS),
  sheetRevision: v.number(),
  summary: jobSummary,
});
export type JobLine = v.InferOutput<typeof jobLine>;

/** A machine as a list of them has it. */
export const machineLine = {
  id: v.string(),
  name: v.string(),
  engine: v.string(),
  /** Its head, bank by bank, as `headLetters` tells it. */
  head: v.optional(v.array(v.string())),
  /** The revision it goes by; `newest` where one has been published since. */
  sheet: v.object({ id: v.string(), revision: v.number(), newest: v.optional(v.number()) }),
  ...aboutMachine,
  /** Out of the yard: kept with its records, and nothing of it falls due. */
  retired: v.optional(v.literal(true)),
  hours: v.nullable(hoursReading),
  due: v.nullable(nextDue),
  /** The interval the due hours are counted in. */
  interval: v.nullable(v.number()),
  /** Where drift asks for a look before the maker's interval is up: which, and when. */
  recheck: v.fallback(
    v.nullable(
      v.object({
        adjuster: v.pipe(v.string(), v.regex(ADJUSTER_ID)),
        atHours: v.number(),
        hoursLeft: v.number(),
      }),
    ),
    // What an earlier version kept on a phone named it in words: nothing is said until it is asked.
    null,
  ),
  /** Its checks are too few to tell its drift: the maker's interval alone counts. */
  tooFewChecks: v.optional(v.literal(true)),
  jobs: v.object({ open: v.nullable(jobLine), signed: v.number() }),
};

const lastLeft = v.nullable(
  v.object({
    hours: v.nullable(v.object({ ...hoursReading.entries, replaced })),
    readings: v.record(v.string(), ReadingSchema),
    shims: v.optional(v.record(v.string(), v.number())),
    /** The hours where an adjuster was left at an earlier check than the last one. */
    earlier: v.optional(v.record(v.string(), hoursReading)),
  }),
);

/** What locking did on engines of this type before, by person. */
const lockPairs = v.optional(v.array(lockPair));

const meterChange = v.object({
  date: v.string(),
  offset: v.number(),
  first: v.optional(v.number()),
});

export const MachineLinesSchema = v.array(v.object(machineLine));
/** A machine as the yard shows it. */
export type MachineLine = v.InferOutput<typeof MachineLinesSchema>[number];

export const MachineDetailSchema = v.object({
  ...machineLine,
  document: SheetSchema,
  /** From each date on, what is added to the meter for the engine's hours. */
  meter: v.array(meterChange),
  /** What was known when it came into the yard. */
  baseline: BaselineSchema,
  /** Newest first. */
  readings: v.array(readingOnRecord),
  history: v.array(jobLine),
  /** Jobs begun by mistake, newest first. */
  abandoned: v.optional(v.array(jobLine)),
  /** What the last check tells, to be looked at before anything is adjusted. */
  findings: v.array(FindingSchema),
  lastLeft,
  notes: v.optional(v.array(machineNote)),
  /** Of each adjuster whose drift is known. */
  rates: v.optional(RatesSchema),
  lockPairs,
});
/** A machine with its sheet, readings and signed jobs. */
export type MachineDetail = v.InferOutput<typeof MachineDetailSchema>;

/** The signed checks of one machine, newest first. */
export const ChecksSchema = v.array(jobCheck);

export const JobContextSchema = v.object({
  head: JobHeadSchema,
  machineName: v.string(),
  sheet: SheetSchema,
  shop: ShopSchema,
  /** What each adjuster was left at last time, and the hours then. */
  lastLeft,
  /** What the hour meter showed before, earliest first, and its changes. */
  hourMeter: v.optional(
    v.object({
      readings: v.array(v.object({ ...hoursReading.entries, replaced })),
      meter: v.array(meterChange),
    }),
  ),
  /** What earlier jobs at this machine left for the next one, newest first. */
  notes: v.optional(v.array(machineNote)),
  /** How fast each adjuster drifts, where that is known. */
  rates: v.optional(RatesSchema),
  lockPairs,
  /** Its hours as they were put right once it was signed. */
  hoursRight: v.optional(v.number()),
  /** The events of its journal that came too late to count, by id. */
  late: v.optional(v.array(v.string())),
});
/** What working on a job needs besides its journal. */
export type JobContext = v.InferOutput<typeof JobContextSchema>;
