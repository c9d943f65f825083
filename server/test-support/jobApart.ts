import type { JobAct, JobEvent, JobHead, SeededRandom } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import { signedAnew } from './signedAnew';
import { NOW } from './now';

/**
 * What two phones that are apart hold of one job: one works it to its end and signs, the other
 * adds meanwhile, its clock and its numbers its own.
 */
export function jobApart(
  chance: SeededRandom,
  hours: number,
): { head: JobHead; events: JobEvent[]; others: JobEvent[] } {
  const { head, events } = signedAnew('Brine pump 2', hours, NOW);
  const [target, signature] = [events[3]!.id, events.at(-1)!.id];
  const acts: JobAct[] = [
    { type: 'machine.noted', text: 'Odd bolt' },
    { type: 'hours.read', hours: 9000 },
    { type: 'event.undone', target },
    { type: 'event.undone', target: signature },
    { type: 'job.signed', name: 'Orla' },
    { type: 'record.amended', text: 'Kept the gasket' },
  ];
  const others = Array.from({ length: 6 }, (): JobEvent => {
    const n = 1 + Math.floor(chance.next() * (events.length + 4));
    const at = new Date(NOW.getTime() + (chance.next() - 0.5) * 4e8).toISOString();
    return { ...chance.one(acts), id: randomUUID(), job: head.id, n, at, by: 'Orla' };
  });
  return { head, events, others };
}
