import * as v from 'valibot';
import { issuesOf } from '../issue';
import type { Malformed } from '../result';
import { malformed } from '../result';
import { implausibilities } from './plausibility';
import type { EngineSheet } from './sheet';
import { SheetSchema } from './sheet';

export type ParsedSheet = { sheet: EngineSheet } | Malformed;

/** Far more than any manual says of one engine. */
const LARGEST = 200_000;

/**
 * Checks an engine sheet as it came from a file or a form: first its shape, then what a
 * person gets wrong although the shape is right. Answers the same document with nothing
 * filled in, or every issue with its dotted path and a way out.
 *
 * @example parseSheet({ format: 'longbar.sheet/1' }).refused // 'malformed'
 */
export function parseSheet(json: unknown): ParsedSheet {
  const { length } = JSON.stringify(json) ?? '';
  if (length > LARGEST) {
    const message = `A sheet has at most ${LARGEST} characters, and this one ${length}.`;
    return malformed([{ path: '', message }]);
  }
  const shape = v.safeParse(SheetSchema, json);
  if (!shape.success) return malformed(issuesOf(shape.issues));
  const issues = implausibilities(shape.output);
  // The document itself, as it was written: what a later version added stays in it.
  const whole = issues.length === 0 && v.is(SheetSchema, json);
  return whole ? { sheet: json } : malformed(issues);
}
