import * as v from 'valibot';
import { JobEventSchema } from '../job/journal/events';
import { SignatureSchema } from '../job/seal/signature';

/** A page of a journal in the order of arrival; `serial` asks for the next one. */
export const EventsPageSchema = v.object({
  events: v.array(JobEventSchema),
  serial: v.number(),
  /** Which of these came too late to count: the job was signed, or it is no signature yet. */
  late: v.optional(v.array(v.string())),
  /** Photos and clips that these events name and the server lacks, by their hashes. */
  lacking: v.optional(v.array(v.string())),
  more: v.boolean(),
});

export type EventsPage = v.InferOutput<typeof EventsPageSchema>;

/**
 * The seal of a signed job, whether its events still have it, and the signature of a phone's key
 * over it with whether that fits; null where no key has signed it.
 */
export const SealSchema = v.object({
  seal: v.nullable(v.string()),
  holds: v.boolean(),
  signature: v.nullable(v.object({ ...SignatureSchema.entries, fits: v.boolean() })),
  /** Names that were used on somebody else's phone, and in how many entries. */
  hands: v.array(v.object({ by: v.string(), phone: v.string(), entries: v.number() })),
});
export type Seal = v.InferOutput<typeof SealSchema>;

/** What every refusal carries. */
export const ErrorSchema = v.object({
  error: v.object({
    message: v.string(),
    issues: v.array(v.object({ path: v.string(), message: v.string() })),
  }),
});
