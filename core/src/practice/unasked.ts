import { BARRING_METHODS } from '../barring/methods';
import { planWork } from '../crank/planWork';
import { adjustersOf } from '../engine/adjusters';
import { KIND_NAMES } from '../engine/kinds';
import type { JobAct } from '../job/journal/events';
import { isClosing } from '../job/journal/closing';
import { hangs } from '../job/journal/locks';
import { isAtAdjuster } from '../job/instruction/adjusterInstruction';
import { unsetOf } from '../job/instruction/gates';
import type { Instruction } from '../job/instruction/instruction';
import { nextOf } from '../job/instruction/jobInstruction';
import { isLastLock } from '../job/instruction/lockGates';
import { isRefused } from '../result';
import type { AtJob } from './atJob';
import type { Faults } from './hiddenEngine';
import { BACKED_OFF } from './hiddenEngine';
import { onPaper } from './onPaper';

type Unasked = (at: AtJob) => readonly JobAct[];

/** What people do now and then though nothing asks for it, by the chance that tells how often. */
export const UNASKED = [
  ['interrupted', interrupted],
  ['misreadTag', ({ mechanic, journal, sheet }) => mechanic.tagAgain(journal.state(), sheet)],
  ['changesMethod', otherMethod],
  ['changesScope', otherScope],
  ['givesUp', givesUp],
  ['resumes', resumes],
  ['doubts', ofAdjuster((adjuster) => ({ type: 'adjuster.doubted', adjuster }))],
  ['choosesAim', choosesAim],
  ['readsAnew', readsAnew],
  ['feelsAnew', feelsAnew],
  ['backsOff', backsOff],
  ['handsOver', ({ person }) => [{ type: 'job.handed', to: person }]],
  ['saysClear', saysClear],
  ['onPaper', onPaper],
] as const satisfies readonly (readonly [keyof Faults, Unasked])[];

/** What is asked for now, at one adjuster. */
function askedAt({ journal, now }: AtJob) {
  const bare = nextOf(journal.setting(), journal.state(), now);
  const next: Instruction | undefined = bare && { ...bare, missing: [] };
  return next && isAtAdjuster(next) ? next : undefined;
}

/** Says this of the adjuster that is worked on, if one is. */
function ofAdjuster(act: (id: string) => JobAct): Unasked {
  return (at) => {
    const next = askedAt(at);
    return next ? [act(next.id)] : [];
  };
}

/** It cannot be set, and may be run so, or not, or nobody says. */
function givesUp(at: AtJob): readonly JobAct[] {
  const next = askedAt(at);
  const isSaid = at.random.next() < 0.5;
  const mayRun = isSaid ? at.random.one([true, false]) : undefined;
  if (!next) return [];
  return [{ type: 'adjuster.unset', adjuster: next.id, reason: 'seized', mayRun }];
}

/** Says of one that was given up that it can be set after all. */
function resumes({ journal, random }: AtJob): JobAct[] {
  const state = journal.state();
  const unset = unsetOf(state);
  if (unset.length === 0 || state.signed) return [];
  return [{ type: 'adjuster.resumed', adjuster: random.one(unset) }];
}

/** A long pause: a stranger may turn the crank. */
function interrupted({ journal, random, log, pass }: AtJob): JobAct[] {
  const { turned, act } = journal.calledAway(random);
  if (turned > 0) log.push({ bar: turned });
  pass(act.minutes);
  return [act];
}

/** Goes on by another method, which this engine takes. */
function otherMethod({ journal, random }: AtJob): JobAct[] {
  const method = random.one(BARRING_METHODS);
  const isTaken = !isRefused(planWork(journal.setting().sheet, { method }));
  return isTaken ? [{ type: 'method.changed', method }] : [];
}

/** It is about these kinds from here on, or only checks, unless closing up has begun. */
function otherScope({ journal, sheet, random }: AtJob): JobAct[] {
  const state = journal.state();
  if (isClosing(state) || state.barOut || state.signed) return [];
  const kinds = KIND_NAMES.filter((kind) =>
    sheet.adjusters.some((each) => each.kind === kind),
  ).filter(() => random.next() < 0.6);
  const checkOnly = random.next() < 0.2;
  return [
    {
      type: 'scope.chosen',
      ...(kinds.length > 0 && { kinds }),
      ...(checkOnly && { checkOnly }),
    },
  ];
}

/** It is to be set by the aim, or by the maker's target after all. */
function choosesAim(at: AtJob): JobAct[] {
  const next = askedAt(at);
  const to = at.random.one(['aim', 'maker'] as const);
  return next ? [{ type: 'aim.chosen', adjuster: next.id, to }] : [];
}

/** Takes all blades of the reading that is being taken back, to take it anew. */
function readsAnew(at: AtJob): JobAct[] {
  const next = askedAt(at);
  if (!next || !('phase' in next)) return [];
  const reading = { go: 0, noGo: null, how: 'go-no-go' as const };
  const { id: adjuster, phase } = next;
  return [{ type: 'reading.taken', adjuster, phase, reading, tried: [] }];
}

/** Takes back the last thing that was seen of the crank where it stands, and looks again. */
function feelsAnew({ journal }: AtJob): JobAct[] {
  const last = journal.state().crank.history.at(-1);
  if (!last || !('seen' in last) || journal.state().signed) return [];
  return [{ type: 'crank.observed', observation: last.seen, back: true }];
}

/** Backs the rockers of a cylinder off, where the crank is looked for. */
function backsOff({ journal, now, sheet, random }: AtJob): JobAct[] {
  if (nextOf(journal.setting(), journal.state(), now)?.step !== 'find') return [];
  const cylinder = random.one(sheet.firing.order);
  const own = adjustersOf(sheet).filter(
    (each) => each.cylinder === cylinder && each.entry.method !== 'shim',
  );
  for (const { id, entry } of own) if (entry.spec) journal.engine.set(id, BACKED_OFF);
  return [{ type: 'rockers.loosened', adjusters: own.map(({ id }) => id) }];
}

/** Takes their own lock off in the middle of the work, where another holds it. */
function saysClear({ journal, person }: AtJob): JobAct[] {
  const state = journal.state();
  const isFree = hangs(state, person) && !isLastLock(state, person);
  return isFree ? [{ type: 'clear.said', person }] : [];
}
