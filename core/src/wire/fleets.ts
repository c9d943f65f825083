import * as v from 'valibot';
import { textUpTo, wholeFrom } from '../bounds';
import { UuidSchema } from '../job/journal/fields';
import { AddressSchema } from './address';

/** What is told of a fleet’s telematics service; the key is never told again. */
const fleet = v.object({
  id: v.string(),
  address: v.string(),
  hasKey: v.boolean(),
  everyHours: v.number(),
  /** When it was asked last, and what was wrong then. */
  askedAt: v.nullable(v.string()),
  problem: v.nullable(v.string()),
});
export type Fleet = v.InferOutput<typeof fleet>;

/** A reading that waits for somebody to say what it is. */
const waiting = v.object({
  id: v.number(),
  serial: v.string(),
  model: v.string(),
  date: v.string(),
  hours: v.number(),
  /** No machine has its serial number, several have, it cannot be read, or it is doubtful. */
  why: v.picklist(['unknown', 'several', 'unread', 'doubtful']),
  says: v.string(),
  /** The machine it is of, where that is known. */
  machine: v.nullable(v.object({ id: v.string(), name: v.string() })),
  /** Left out until something newer is doubtful, or for good where no machine has the serial. */
  leftOut: v.boolean(),
});
export type WaitingHours = v.InferOutput<typeof waiting>;

export const FleetsSchema = v.object({ fleets: v.array(fleet), waiting: v.array(waiting) });
export type Fleets = v.InferOutput<typeof FleetsSchema>;

/** A telematics service to ask. An empty key is none; where it is absent, the one kept stays. */
export const FleetPostSchema = v.object({
  address: AddressSchema,
  key: v.optional(v.pipe(textUpTo(500), v.trim(), v.regex(/^[\x20-\x7e]*$/, 'A key is one line.'))),
  everyHours: wholeFrom(1, 168, 'It is asked every so many hours, from 1.'),
});
export type FleetPost = v.InferOutput<typeof FleetPostSchema>;

/** What a waiting reading is: of this machine, right as it is, of a new meter, or left out. */
export const WaitingAnswerSchema = v.variant('do', [
  v.object({ do: v.literal('machine'), machine: UuidSchema }),
  v.object({ do: v.picklist(['take', 'replaced', 'leave-out', 'bring-back']) }),
]);
export type WaitingAnswer = v.InferOutput<typeof WaitingAnswerSchema>;
