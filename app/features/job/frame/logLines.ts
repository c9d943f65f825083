import type { KnownEvent } from '@longbar/core';
import { dayOf } from '@longbar/core';

/** An entry of the log; `day` where it is the first of another day than what stands above it. */
export type LogLine = { event: KnownEvent; day?: string };

/** The last entries of a job, the latest first: a time alone is today's. */
export function logLines(standing: readonly KnownEvent[], today: string, most: number): LogLine[] {
  let above = today;
  return standing
    .slice(-most)
    .reverse()
    .map((event) => {
      const day = dayOf(event.at);
      const isOther = day !== above;
      above = day;
      return { event, ...(isOther && { day }) };
    });
}
