import type { Observation } from '../barring/observation';
import { adjusterName } from '../engine/adjusterEntry';
import type { Reading } from '../gauging/reading';
import { formatHours, formatInstant, formatMillimetres } from '../units';
import type { KnownEvent } from './events';

/** A reading for people, in mm: "0.48–0.53", "under 0.48", "0.53 and over". */
export function describeReading({ go, noGo }: Pick<Reading, 'go' | 'noGo'>): string {
  if (noGo === null) return `${formatMillimetres(go)} and over`;
  if (go === 0) return `under ${formatMillimetres(noGo)}`;
  return `${formatMillimetres(go)}–${formatMillimetres(noGo)}`;
}

const PHASE = { found: 'as found', left: 'as left', again: 'again' } as const;
const REASON = {
  interval: 'interval',
  'head-work': 'after head work',
  symptom: 'symptom',
} as const;

/** An event in a few words, for the log and the undo button. */
export function describeEvent(event: KnownEvent): { what: string; detail: string } {
  switch (event.type) {
    case 'why.noted':
      return { what: 'Why', detail: REASON[event.reason] };
    case 'cold.stated':
      return { what: 'Cold since', detail: formatInstant(event.since) };
    case 'hours.read':
      return { what: 'Hours', detail: `${formatHours(event.hours)} h` };
    case 'isolation.done':
      return { what: 'Isolated', detail: event.isolation };
    case 'isolation.exempted':
      return { what: 'Does not apply', detail: `${event.isolation}: ${event.reason}` };
    case 'rocker.felt':
      return { what: adjusterName(event.adjuster), detail: event.state };
    case 'crank.observed':
      return describeObservation(event.observation, event.back);
    case 'position.found':
      return { what: 'Position found', detail: `${Math.round(event.angle)}°` };
    case 'position.lost':
      return { what: 'Position', detail: 'rockers disagree, find it anew' };
    case 'stop.reached':
      return { what: `Stop ${event.stop + 1}`, detail: event.round ? 'reached again' : 'reached' };
    case 'reading.taken':
      return {
        what: adjusterName(event.adjuster),
        detail: `${PHASE[event.phase]} ${event.tried?.length === 0 ? 'cleared' : describeReading(event.reading)}`,
      };
    case 'adjuster.kept':
      return { what: adjusterName(event.adjuster), detail: 'left as found' };
    case 'adjuster.locked':
      return { what: adjusterName(event.adjuster), detail: describeLock(event) };
    case 'adjuster.painted':
      return { what: adjusterName(event.adjuster), detail: 'paint dab' };
    case 'round.done':
      return { what: 'Once round again', detail: 'done' };
    case 'closing.done':
      return { what: 'Closed up', detail: event.item };
    case 'bar.out':
      return { what: 'Bar and pins', detail: 'out' };
    case 'isolation.undone':
      return { what: 'Isolation undone', detail: event.isolation };
    case 'run.noted':
      return { what: 'Run', detail: event.ran ? 'ran' : 'not run' };
    case 'job.signed':
      return { what: 'Signed', detail: event.name };
    case 'event.undone':
      return { what: 'Undo', detail: '' };
  }
}

function describeObservation(
  observation: Observation,
  back: boolean | undefined,
): { what: string; detail: string } {
  const detail = back ? 'taken back' : observation.state;
  if ('id' in observation) return { what: adjusterName(observation.id), detail };
  if ('cylinder' in observation) return { what: `No. ${observation.cylinder}`, detail };
  return { what: `Mark ${observation.mark}`, detail: back ? 'taken back' : 'at the pointer' };
}

/** How a nut was locked, as it was. */
export function describeLock(lock: {
  how: 'torque' | 'feel';
  torque?: number | undefined;
}): string {
  if (lock.how === 'feel') return 'locked by feel';
  return lock.torque === undefined ? 'locked to torque' : `locked at ${lock.torque} N·m`;
}
