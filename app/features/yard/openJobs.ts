import type { MachineLine } from '@longbar/core';
import type { KeptJob } from '../../state/jobs';
import { goesOn } from '../../state/jobs';

/** A job in progress as its card shows it; `stands` is unknown until its journal is read. */
export type OpenJobLine = {
  id: string;
  machine: string;
  stands?: { step: string; place: number; of: number; done: number; all: number; next?: string };
};

type Kept = Record<string, KeptJob>;

/** Jobs in progress that only the server tells of. */
export function openElsewhere(kept: Kept, machines: readonly MachineLine[]): OpenJobLine[] {
  return machines.flatMap(({ name, jobs: { open } }): OpenJobLine[] => {
    if (!open || kept[open.id]) return [];
    const { step, set } = open.summary;
    if (!step) return [];
    const { title, place, of } = step;
    const stands = { step: title, place, of, done: set.done, all: set.of };
    return [{ id: open.id, machine: name, stands }];
  });
}

/**
 * Jobs that go on here, until their journals are read. What the server told last is not shown: this
 * phone may be further.
 */
export function openHereUnread(kept: Kept): OpenJobLine[] {
  return Object.values(kept)
    .filter(goesOn)
    .map(({ context: { head, machineName } }) => ({ id: head.id, machine: machineName }));
}
