import * as v from 'valibot';
import { listUpTo } from '../bounds';
import { canonical } from '../canonical';
import { JobEventSchema } from '../job/journal/events';
import { JobHeadSchema } from '../job/journal/jobHead';
import { SignatureSchema } from '../job/seal/signature';

/** One signed job as a file that proves itself; docs/formats.md says how. */
export const RECORD_FORMAT = 'longbar.record/1';

const events = (most: number) => listUpTo(JobEventSchema, most);

/** What the first line of such a file holds. */
export const RecordFileSchema = v.strictObject({
  format: v.literal(RECORD_FORMAT, `The format is ${RECORD_FORMAT}.`),
  job: JobHeadSchema,
  /** What the seal covers, in its order. */
  events: events(20_000),
  /** What was said of the record after it was signed: nobody signed that. */
  additions: events(10_000),
  /** None where it was signed by an earlier version, or by no phone's key. */
  signature: v.nullable(SignatureSchema),
});
export type RecordFile = v.InferOutput<typeof RecordFileSchema>;

/**
 * The text of such a file: its content as canonical JSON on a line, and the SHA-256 of that line
 * with its end on another.
 */
export function writeRecordFile(file: RecordFile, sha256: (text: string) => string): string {
  const line = `${canonical(file)}\n`;
  return `${line}${sha256(line)}\n`;
}
