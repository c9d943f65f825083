import { formatDay, issuesOf } from '@longbar/core';
import * as v from 'valibot';

/** Why nothing was kept, for a person. */
export function describe(error: unknown): string {
  if (error instanceof OutOfBounds) return error.message;
  return `The phone’s store failed: ${error instanceof Error ? error.message : String(error)}.`;
}

/** What no server would take; the message is fit for a person. */
class OutOfBounds extends Error {}

/** Holds what is to be written to the schema that the server holds it to, the clock among it. */
export function refuseOutOfBounds(schema: v.GenericSchema, written: unknown, at: string): void {
  const checked = v.safeParse(schema, written);
  if (checked.success) return;
  const [first] = issuesOf(checked.issues);
  // Which of a tap's events it is in says nothing to whoever tapped.
  const field = first?.path.replace(/^\d+\./, '');
  throw new OutOfBounds(
    /(^|\.)at$/.test(field ?? '')
      ? `This phone’s clock says ${formatDay(at)}. Put it right, then tap again: nothing was recorded.`
      : `This was not recorded. ${field}: ${first?.message}`,
  );
}
