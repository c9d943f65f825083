import * as v from 'valibot';
import { MOST_REVISIONS, wholeFrom } from '../../bounds';
import { BARRING_METHODS } from '../../barring/methods';
import { byARightClock, instant, person, UuidSchema } from './fields';

/** The head of a job, made by the phone that starts it. */
export const JobHeadSchema = v.object(
  {
    id: UuidSchema,
    machine: UuidSchema,
    /** The sheet it was begun by, should the machine go by another before the head arrives. */
    sheet: v.optional(UuidSchema),
    method: v.picklist(BARRING_METHODS, `The method is one of ${BARRING_METHODS.join(', ')}.`),
    sheetRevision: wholeFrom(1, MOST_REVISIONS, 'The revision is a whole number from 1.'),
    at: instant,
    by: person,
  },
  'A job has id, machine, method, sheetRevision, at and by.',
);
/** The head of a job that is begun now. */
export const JobBeginSchema = v.pipe(JobHeadSchema, byARightClock());
export type JobHead = v.InferOutput<typeof JobHeadSchema>;
