import * as v from 'valibot';
import { MOST_REVISIONS, wholeFrom } from '../bounds';
import { Sha256Schema } from '../attachment';
import { UuidSchema } from '../job/journal/fields';
import { DateSchema, HoursSchema } from '../service/hours';

/** What is typed of a machine, as it is added and as it is changed. */

const words = (most: number) =>
  v.pipe(
    v.string('Write a few words.'),
    v.trim(),
    v.nonEmpty('Write a few words, or leave it out.'),
    v.maxLength(most, `At most ${most} characters.`),
  );
const name = v.pipe(
  v.string('The machine has a name.'),
  v.trim(),
  v.nonEmpty('The machine has a name.'),
  v.maxLength(80, 'A name has at most 80 characters.'),
);
const hoursAYear = v.pipe(
  v.number('Hours a year are a number, such as 600.'),
  v.minValue(1, 'Hours a year are at least 1.'),
  v.maxValue(8784, 'A year has no more than 8784 hours.'),
);

/** What is known of a machine besides its engine. */
export const aboutMachine = {
  /** Where it stands. */
  place: v.optional(words(120)),
  /** Whose it is. */
  owner: v.optional(words(120)),
  serial: v.optional(words(80)),
  /** The data tag on the engine, as its sheet names it. */
  tag: v.optional(words(80)),
  /** The photo of its plate, by the hash of its bytes. */
  photo: v.optional(Sha256Schema),
};
export const AboutMachineSchema = v.object(aboutMachine);
export type AboutMachine = v.InferOutput<typeof AboutMachineSchema>;

const service = {
  inServiceSince: v.optional(DateSchema),
  /** What the hour meter showed on the day it went into service. */
  hoursThen: v.optional(HoursSchema),
  /** An estimate, which serves until readings tell better. */
  hoursAYear: v.optional(hoursAYear),
};

/** A machine that comes into the yard. */
export const MachinePostSchema = v.object(
  { id: UuidSchema, name, sheet: UuidSchema, ...aboutMachine, ...service },
  'A machine has id, name and sheet.',
);
export type MachinePost = v.InferOutput<typeof MachinePostSchema>;

const orNothing = <Schema extends v.GenericSchema>(schema: Schema) =>
  v.optional(v.nullable(schema));

/** What is changed of a machine: what is left out stays, what is null is taken away. */
export const MachinePatchSchema = v.object(
  {
    name: v.optional(name),
    /** The sheet it goes by from now on, in its newest revision where none is named. */
    sheet: v.optional(UuidSchema),
    sheetRevision: v.optional(
      wholeFrom(1, MOST_REVISIONS, 'The revision is a whole number from 1.'),
    ),
    place: orNothing(words(120)),
    owner: orNothing(words(120)),
    serial: orNothing(words(80)),
    tag: orNothing(words(80)),
    photo: orNothing(Sha256Schema),
    inServiceSince: orNothing(DateSchema),
    hoursThen: orNothing(HoursSchema),
    hoursAYear: orNothing(hoursAYear),
    retired: v.optional(v.boolean('Retired is true or false.')),
  },
  'A change of a machine is an object.',
);
export type MachinePatch = v.InferOutput<typeof MachinePatchSchema>;

/** A reading of the hour meter put right; null takes it back. What stood there is kept. */
export const HoursCorrectionSchema = v.object(
  {
    hours: v.nullable(HoursSchema),
    /** Looked at again: it is unusual, and so. */
    sure: v.optional(v.boolean('Sure is true or false.')),
  },
  'A correction has hours.',
);
export type HoursCorrection = v.InferOutput<typeof HoursCorrectionSchema>;
