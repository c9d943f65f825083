import type { JobAct, JobEvent, JobHead } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import { signedJob } from '../src/demo/signedJob';
import { MACHINES } from '../src/demo/yard';

/** An event without its place: that is given anew. */
type Told = Omit<JobEvent, 'n' | 'job'>;

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
  const { head, events: first } = signedJob(machine, past, now);
  // Under ids of its own, by which one event names another, too.
  const ids = new Map(first.map(({ id }) => [id, randomUUID()]));
  const events: JobEvent[] = JSON.parse(JSON.stringify(first), (_key, value) => {
    return ids.get(value) ?? value;
  });
  const job = randomUUID();
  const told = change(events.map(({ n: _n, job: _job, ...rest }) => rest));
  return {
    head: { ...head, id: job },
    events: told.map((each, i) => {
      const envelope = { id: randomUUID(), job, n: i + 1, at: first[0]?.at ?? head.at, by: 'Ina' };
      return { ...envelope, ...each } as JobEvent;
    }),
  };
}
