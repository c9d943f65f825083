import type { ToldBy } from './events';
import { isOneOf } from './events';
import { sayClear } from './locks';
import type { JobState } from './state';

/** The events from closing up to the signature, and those beside the work. */
export const isOfEnd = isOneOf(
  'closing.done',
  'bar.out',
  'clear.said',
  'tools.counted',
  'isolation.undone',
  'run.noted',
  'noise.heard',
  'machine.noted',
  'job.handed',
  'job.abandoned',
  'job.signed',
  'record.amended',
);
export type EndEvent = ToldBy<typeof isOfEnd>;

/** What an event says of the end of the job. */
export function applyEnd(state: JobState, event: EndEvent): void {
  const { at, by } = event;
  switch (event.type) {
    case 'closing.done':
      state.closing[event.item] = { by, at, note: event.note };
      return;
    case 'bar.out':
      state.barOut = { by, at };
      return;
    case 'clear.said':
      sayClear(state, event);
      return;
    case 'tools.counted':
      state.toolsCounted = { by, at };
      return;
    case 'isolation.undone':
      state.undone[event.isolation] = { by, at };
      return;
    case 'run.noted': {
      const { ran, leaks, symptomGone, note } = event;
      // Another run: what was left leaking before says nothing of it.
      delete state.exempted.leak;
      state.runs = [...state.runs, { ran, leaks, symptomGone, note, by }];
      return;
    }
    case 'noise.heard': {
      const { when, heard, attachments } = event;
      const [clip] = attachments;
      // The last one counts: a clip is taken again where it told nothing.
      if (clip) state.noise = { ...state.noise, [when]: { clip, heard, by, at } };
      return;
    }
    case 'machine.noted':
      state.machineNotes.push({ id: event.id, text: event.text, by, at });
      return;
    case 'job.handed':
      // Who takes over was not there: what was known of the crank counts once it is said to hold.
      if (state.crank.history.length > 0) state.crank = { ...state.crank, doubted: 'handed' };
      state.handed.push({ to: event.to, by, at });
      return;
    case 'record.amended':
      state.amendments.push({ text: event.text, by, at });
      return;
    case 'job.abandoned':
      state.abandoned = { reason: event.reason, by, at };
      return;
    case 'job.signed':
      state.signed = { name: event.name, at, incomplete: event.incomplete };
      return;
  }
}
