import type { EventOf, KnownEvent } from './events';
import type { JobState } from './state';

type PhaseEvent = Exclude<
  KnownEvent,
  EventOf<
    | 'reading.taken'
    | 'adjuster.kept'
    | 'adjuster.locked'
    | 'adjuster.painted'
    | 'adjuster.unset'
    | 'adjuster.doubted'
    | 'shim.found'
    | 'shim.fitted'
    | 'rocker.felt'
    | 'crank.observed'
    | 'position.found'
    | 'position.lost'
    | 'stop.reached'
  >
>;

/** What an event says of the phases around the setting itself. */
export function applyPhase(state: JobState, event: PhaseEvent): void {
  const { at, by } = event;
  switch (event.type) {
    case 'why.noted':
      state.why = { reason: event.reason, symptom: event.symptom };
      return;
    case 'cold.stated':
      state.coldSince = event.since;
      return;
    case 'hot.stated':
      state.hot = { stopped: event.stopped, ran: event.ran };
      return;
    case 'tag.read':
      state.tag = event.tag;
      return;
    case 'ready.done':
      state.ready[event.item] = { by, at };
      return;
    case 'hours.read':
      state.hours = { hours: event.hours, at };
      return;
    case 'isolation.done':
      state.isolations[event.isolation] = { by, at };
      return;
    case 'isolation.exempted':
      state.isolations[event.isolation] = { by, at, exempt: event.reason };
      return;
    case 'opening.noted':
      state.noted.push({ id: event.id, what: event.what, from: event.from, by, at });
      return;
    case 'opening.done':
      state.opened = { by, at };
      return;
    case 'torque.done':
      state.torqued[torqueKey(event)] = { by, at };
      return;
    case 'question.answered':
      state.answers[event.question] = { answer: event.answer, by, at };
      return;
    case 'shims.planned': {
      const { rows, buy, outside, order } = event;
      state.shims = { rows, buy, outside, order };
      return;
    }
    case 'round.done':
      state.roundDone = true;
      return;
    default:
      return applyEnd(state, event);
  }
}

type EndEvent = Extract<
  PhaseEvent,
  {
    type:
      | 'closing.done'
      | 'bar.out'
      | 'clear.said'
      | 'tools.counted'
      | 'isolation.undone'
      | 'run.noted'
      | 'machine.noted'
      | 'job.handed'
      | 'job.signed'
      | 'event.undone';
  }
>;

function applyEnd(state: JobState, event: EndEvent): void {
  const { at, by } = event;
  switch (event.type) {
    case 'closing.done':
      state.closing[event.item] = { by, at, note: event.note };
      return;
    case 'bar.out':
      state.barOut = { by, at };
      return;
    case 'clear.said':
      state.clear[event.person] = { by, at, looked: event.looked };
      return;
    case 'tools.counted':
      state.toolsCounted = { by, at };
      return;
    case 'isolation.undone':
      state.undone[event.isolation] = { by, at };
      return;
    case 'run.noted': {
      const { ran, leaks, symptomGone, note } = event;
      state.run = { ran, leaks, symptomGone, note };
      return;
    }
    case 'machine.noted':
      state.machineNotes.push({ id: event.id, text: event.text, by, at });
      return;
    case 'job.handed':
      state.handed.push({ to: event.to, by, at });
      return;
    case 'job.signed':
      state.signed = { name: event.name, at, incomplete: event.incomplete };
      return;
    case 'event.undone':
      return;
  }
}

/** What a fastener at a stage of a sequence goes by in the state. */
export function torqueKey(fastener: { sequence: string; stage: number; fastener: number }): string {
  return `${fastener.sequence} ${fastener.stage} ${fastener.fastener}`;
}
