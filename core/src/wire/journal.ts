import * as v from 'valibot';
import { JobEventSchema } from '../job/journal/events';

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

/** The seal of a signed job, and whether its events still have it. */
export const SealSchema = v.object({ seal: v.nullable(v.string()), holds: v.boolean() });
export type Seal = v.InferOutput<typeof SealSchema>;

/** What every refusal carries. */
export const ErrorSchema = v.object({
  error: v.object({
    message: v.string(),
    issues: v.array(v.object({ path: v.string(), message: v.string() })),
  }),
});
