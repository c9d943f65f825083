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
  return openAtServer(machines).filter(({ id, stands }) => !kept[id] && stands);
}

/** Jobs that go on here, as the server told them last: until this phone has read them itself. */
export function openHereUnread(kept: Kept, machines: readonly MachineLine[]): OpenJobLine[] {
  const told = new Map(openAtServer(machines).map((line) => [line.id, line]));
  return Object.values(kept)
    .filter(goesOn)
    .map(({ context: { head, machineName } }) => ({
      ...told.get(head.id),
      id: head.id,
      machine: machineName,
    }));
}

function openAtServer(machines: readonly MachineLine[]): OpenJobLine[] {
  return machines.flatMap(({ name, jobs: { open } }): OpenJobLine[] => {
    if (!open) return [];
    const { step, set } = open.summary;
    const stands = step && {
      step: step.title,
      place: step.place,
      of: step.of,
      done: set.done,
      all: set.of,
    };
    return [{ id: open.id, machine: name, ...(stands && { stands }) }];
  });
}
