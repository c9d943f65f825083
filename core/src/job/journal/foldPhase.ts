import { isClosing, isolateAgain, openAgain } from './closing';
import type { EventOf, KnownEvent } from './events';
import type { AdjusterEvent } from './foldAdjuster';
import type { EndEvent } from './foldEnd';
import type { PositionEvent } from './foldPosition';
import { forgetMarks } from './foldPosition';
import { backAtWork, hangLock } from './locks';
import { mayBeRunNoMore } from './mayBeRunNoMore';
import { planAnew } from './planAnew';
import { isSameScope } from './scope';
import { keepShims } from './shimsInHand';
import type { JobRules, JobState } from './state';

/** The events of the phases before and around the setting itself: all the others. */
export type PhaseEvent = Exclude<KnownEvent, AdjusterEvent | PositionEvent | EndEvent>;

function rulesIn({ policy, round, aim, rates }: EventOf<'rules.kept'>): JobRules {
  return { policy, ...(round && { round }), ...(aim && { aim }), ...(rates && { rates }) };
}

/** What an event says of the phases around the setting itself. */
export function applyPhase(state: JobState, event: PhaseEvent): void {
  const { at, by } = event;
  switch (event.type) {
    case 'why.noted':
      state.why = {
        reason: event.reason,
        symptom: event.symptom,
        attachments: event.attachments,
      };
      return;
    case 'scope.chosen':
      if (isSameScope(state.scope, event)) return;
      // Other stops serve what is set now, and what was finished may be asked for anew.
      state.scope = { kinds: event.kinds, checkOnly: event.checkOnly };
      delete state.roundDone;
      planAnew(state);
      return;
    case 'cold.stated':
      state.coldSince = event.since;
      return;
    case 'hot.stated':
      state.hot = { stopped: event.stopped, ran: event.ran };
      return;
    case 'tag.read':
      // Another tag has other figures: the stops are planned anew, and the round is done again.
      if (state.tag !== undefined && state.tag !== event.tag) {
        planAnew(state);
        if (!isClosing(state)) delete state.roundDone;
      }
      state.tag = event.tag;
      delete state.tagReason;
      delete state.tagFigures;
      if (event.figures) state.tagFigures = event.figures;
      if (event.reason !== undefined) state.tagReason = event.reason;
      return;
    case 'rules.kept':
      state.rules ??= rulesIn(event);
      return;
    case 'metal.read':
      state.metal = { celsius: event.celsius, by, at };
      return;
    case 'gate.exempted':
      state.exempted[event.gate] = { reason: event.reason, by, at };
      return;
    case 'rotation.stated':
      state.rotation = { sense: event.sense, seenFrom: event.seenFrom, by };
      return;
    case 'method.changed':
      state.method = event.method;
      planAnew(state);
      return;
    case 'marks.doubted':
      state.marksDoubted = true;
      forgetMarks(state);
      planAnew(state);
      return;
    case 'ready.done':
      state.ready[event.item] = { by, at };
      return;
    case 'hours.read':
      state.hours = {
        hours: event.hours,
        at,
        ...(event.sure && { sure: true }),
        ...(event.replaced && { replaced: true }),
      };
      return;
    case 'isolation.done':
      backAtWork(state, by);
      isolateAgain(state, event.isolation);
      state.isolations[event.isolation] = { by, at };
      return;
    case 'isolation.exempted':
      backAtWork(state, by);
      isolateAgain(state, event.isolation);
      state.isolations[event.isolation] = { by, at, exempt: event.reason };
      return;
    case 'lock.hung':
      hangLock(state, by, at);
      return;
    case 'opening.noted':
      state.noted.push({
        id: event.id,
        what: event.what,
        from: event.from,
        attachments: event.attachments,
        by,
        at,
      });
      return;
    case 'opening.done':
      if (isClosing(state)) {
        openAgain(state);
        state.openedAgain = { by, at };
      }
      state.opened = { by, at };
      return;
    case 'torque.done':
      for (let fastener = event.fastener; fastener <= throughOf(event); fastener++) {
        const closing = isClosing(state) && { closing: true as const };
        state.torqued[torqueKey({ ...event, fastener })] = { by, at, ...closing };
      }
      return;
    case 'question.answered':
      state.answers[event.question] = {
        answer: event.answer,
        says: event.says,
        note: event.note,
        attachments: event.attachments,
        mayRun: event.mayRun,
        by,
        at,
      };
      if (event.mayRun === false) mayBeRunNoMore(state);
      return;
    case 'shims.planned': {
      const { rows, buy, outside } = event;
      state.shims = { rows, buy, outside, put: {}, keptBy: {} };
      return keepShims(state);
    }
    case 'round.done':
      state.roundDone = true;
      return;
    case 'event.undone':
      // Taken into account before anything is folded.
      return;
  }
}

/** No head has more fasteners than this; a mistaken count ends there. */
const MOST_FASTENERS = 500;

function throughOf({ fastener, through = fastener }: EventOf<'torque.done'>): number {
  return Math.min(through, fastener + MOST_FASTENERS);
}

/** What a fastener at a stage of a sequence goes by in the state. */
export function torqueKey(fastener: { sequence: string; stage: number; fastener: number }): string {
  return `${fastener.sequence} ${fastener.stage} ${fastener.fastener}`;
}
