import type { JobAct, JobEvent, JobHead } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import { signedJob } from '../src/demo/signedJob';
import { MACHINES } from '../src/demo/yard';

/** An event without its envelope's id and place: those are given anew. */
type Told = Omit<JobEvent, 'id' | 'n' | 'job'>;

/**
 * A whole job at a machine of the demo, everything at its target, under an id of its own; `change`
 * says what happened otherwise.
 */
export function signedAnew(
  name: string,
  hours: number,
  now: Date,
  change: (told: Told[]) => (Told | JobAct)[] = (told) => told,
): { head: JobHead; events: JobEvent[] } {
  const machine = MACHINES.find((each) => each.name === name);
  if (!machine) throw new Error(`There is no ${name} in the demo.`);
  const past = { daysAgo: 0, hours, worn: { found: {}, left: {} }, by: 'Ina' };
  const { head, events } = signedJob(machine, past, now);
  const job = randomUUID();
  const [first] = events;
  const told = change(events.map(({ id: _id, n: _n, job: _job, ...rest }) => rest));
  return {
    head: { ...head, id: job },
    events: told.map((each, i) => {
      const envelope = { id: randomUUID(), job, n: i + 1, at: first?.at ?? head.at, by: 'Ina' };
      return { ...envelope, ...each } as JobEvent;
    }),
  };
}
