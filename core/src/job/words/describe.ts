import { METHOD_TITLES } from '../../barring/methodWords';
import type { Observation } from '../../crank/observation';
import { adjusterName } from '../../engine/adjusterEntry';
import type { Measure } from '../../gauging/measure';
import { formatFigure, unitOf } from '../../gauging/measure';
import type { Reading } from '../../gauging/reading';
import { ticksInWords } from '../../listen/soundWords';
import { formatTemperature } from '../../temperature';
import { formatTorque } from '../../torque/units';
import type { LengthUnit } from '../../units';
import { formatHours, formatInstant, formatLength } from '../../units';
import { adjusterAsked } from '../instruction/questions';
import type { EventOf, JobEvent, KnownEvent } from '../journal/events';
import { isKnown } from '../journal/events';
import { scopeWords } from './scopeWords';
import type { ItemNames } from './itemNames';
import type { AdjusterEvent } from '../journal/foldAdjuster';
import { isOfAdjuster } from '../journal/foldAdjuster';
import type { EndEvent } from '../journal/foldEnd';
import { isOfEnd } from '../journal/foldEnd';
import type { PhaseEvent } from '../journal/foldPhase';
import type { PositionEvent } from '../journal/foldPosition';
import { isOfPosition } from '../journal/foldPosition';
import type { LookedInto, UnsetReason } from '../journal/state';

/** What a reading is for people: between two figures, or the one read off a gauge or a wrench. */
type Said = Pick<Reading, 'go' | 'noGo'> & { how?: string };

/** What was measured, where only the reading is known. */
const measured = ({ how }: Said): Measure =>
  how === 'wrench' ? 'preload' : how === 'gauge' ? 'height' : 'lash';

/**
 * A reading for people, without its unit: "0.48–0.53", "under 0.48", "0.53 and over", and a
 * figure read off a gauge or a wrench as that figure.
 *
 * @example describeReading({ go: 480, noGo: 530 }) // '0.48–0.53'
 */
export function describeReading(
  reading: Said,
  measure: Measure = measured(reading),
  marked?: LengthUnit,
): string {
  const { go, noGo, how } = reading;
  const show = (figure: number) => formatFigure(measure, figure, marked);
  if (noGo === null) return `${show(go)} and over`;
  if (how === 'gauge' || how === 'wrench') return show((go + noGo) / 2);
  return go === 0 ? `under ${show(noGo)}` : `${show(go)}–${show(noGo)}`;
}

/**
 * The same with the unit that it is in: the shop's first, or that of the blades in hand.
 *
 * @example readingWithUnit('lash', { go: 480, noGo: 530 }) // '0.48–0.53 mm'
 */
export function readingWithUnit(measure: Measure, reading: Said, marked?: LengthUnit): string {
  const unit = measure === 'lash' && marked ? marked : unitOf(measure);
  return `${describeReading(reading, measure, marked)} ${unit}`;
}

/** A shim's size, or that it is a stand-in. */
export function describeShim(size: number | null): string {
  return size === null ? 'stand-in shim' : `shim ${formatLength(size)}`;
}

const PHASE = { found: 'as found', set: 'as set', left: 'as left', again: 'again' } as const;
/** Why an engine is opened, as it is written down. */
export const REASON = {
  interval: 'it was due',
  'head-work': 'after head work',
  symptom: 'a symptom',
} as const;

type Described = { what: string; detail: string };

const NO_NAMES: ItemNames = new Map();

/** An event in a few words, for the log and the undo button; `names` are those of its job. */
export function describeEvent(event: KnownEvent, names: ItemNames = NO_NAMES): Described {
  if (isOfAdjuster(event)) {
    return { what: adjusterName(event.adjuster), detail: describeAdjuster(event) };
  }
  if (isOfPosition(event)) return describePosition(event);
  return isOfEnd(event) ? describeEnd(event, names) : describePhase(event, names);
}

/**
 * The same in one line; what only a newer version knows goes by its own name.
 *
 * @example eventWords({ type: 'tag.read', tag: 'B', id: 'e', job: 'j', n: 4, at: '', by: 'Ina' })
 * // 'Data tag B'
 */
export function eventWords(event: JobEvent, names: ItemNames = NO_NAMES): string {
  if (!isKnown(event)) return event.type;
  const { what, detail } = describeEvent(event, names);
  return detail === '' ? what : `${what} ${detail}`;
}

const AIMED_BY = {
  aim: 'to be set by its drift',
  maker: 'to be set to the maker’s target',
} as const;

function describeAdjuster(event: AdjusterEvent): string {
  switch (event.type) {
    case 'reading.taken': {
      const figure = event.tried?.length === 0 ? 'cleared' : describeReading(event.reading);
      return `${PHASE[event.phase]} ${figure}`;
    }
    case 'adjuster.kept':
      return 'left as found';
    case 'aim.chosen':
      return AIMED_BY[event.to];
    case 'adjuster.locked':
      return describeLock(event);
    case 'adjuster.painted':
      return 'finished';
    case 'adjuster.unset':
      return describeUnset(event);
    case 'adjuster.resumed':
      return 'can be set after all';
    case 'adjuster.doubted':
      return 'to be read again';
    case 'adjuster.placed':
      return event.stop === undefined
        ? `to be set where the crank stands: ${event.reason}`
        : `to be set by the chart at ${Math.round(event.stop)}°: ${event.reason}`;
    case 'adjuster.moved':
      return 'set at its best place, not by the chart';
    case 'shim.found':
      return `${describeShim(event.size)} found`;
    case 'shim.fitted':
      return `${describeShim(event.size)} fitted`;
  }
}

function describePosition(event: PositionEvent): Described {
  switch (event.type) {
    case 'rocker.felt':
      return { what: adjusterName(event.adjuster), detail: event.state };
    case 'crank.observed':
      return describeObservation(event.observation, event.back);
    case 'crank.turned':
      return describeTurn(event);
    case 'crank.held':
      return { what: 'Crank', detail: 'nobody turned it' };
    case 'work.paused':
      return { what: 'Paused', detail: `${Math.round(event.minutes)} min` };
    case 'rockers.loosened':
      return { what: 'Backed off', detail: event.adjusters.map(adjusterName).join(', ') };
    case 'plan.made':
      return { what: 'Plan', detail: `${event.stops.length} stops` };
    case 'engine.returned':
      return { what: 'Back to work', detail: RETURNED[event.why] };
    case 'position.found':
      return { what: 'Position found', detail: `${Math.round(event.angle)}°` };
    case 'position.lost':
      return { what: 'Position', detail: 'rockers disagree, find it anew' };
    case 'stop.reached':
      return { what: `Stop ${event.stop + 1}`, detail: event.round ? 'reached again' : 'reached' };
  }
}

function describePhase(event: PhaseEvent, names: ItemNames): Described {
  const named = (list: string, id: string) => names.get(`${list} ${id}`) ?? id;
  switch (event.type) {
    case 'why.noted':
      return { what: 'Why', detail: REASON[event.reason] };
    case 'scope.chosen':
      return { what: 'About', detail: scopeWords(event) };
    case 'cold.stated':
      return { what: 'Cold since', detail: formatInstant(event.since) };
    case 'hot.stated':
      return { what: 'Shut down hot', detail: formatInstant(event.stopped) };
    case 'tag.read':
      return { what: 'Data tag', detail: event.tag || 'none of the known' };
    case 'rules.kept':
      return { what: 'Rules', detail: RULES[event.policy] };
    case 'metal.read':
      return { what: 'Metal', detail: formatTemperature(event.celsius) };
    case 'gate.exempted':
      return { what: EXEMPTED[event.gate], detail: event.reason };
    case 'rotation.stated':
      return { what: 'Turns', detail: `${event.sense}, seen from the ${event.seenFrom}` };
    case 'marks.doubted':
      return { what: 'Marks', detail: 'not where the sheet has them: left out' };
    case 'method.changed':
      return { what: 'Method', detail: METHOD_TITLES[event.method] };
    case 'ready.done':
      return { what: 'Ready', detail: named('ready', event.item) };
    case 'hours.read':
      return { what: 'Hours', detail: `${formatHours(event.hours)} h` };
    case 'isolation.done':
      return { what: 'Isolated', detail: named('isolation', event.isolation) };
    case 'isolation.exempted':
      return {
        what: 'Does not apply',
        detail: `${named('isolation', event.isolation)}: ${event.reason}`,
      };
    case 'lock.hung':
      return { what: `${event.by}’s own lock`, detail: 'hangs' };
    case 'opening.noted':
      return { what: 'Noted', detail: event.what };
    case 'opening.done':
      return { what: 'Open up', detail: 'covers off' };
    case 'torque.done':
      return {
        what:
          event.through === undefined
            ? `Fastener ${event.fastener + 1}`
            : `Fasteners ${event.fastener + 1} to ${event.through + 1}`,
        detail: `stage ${event.stage + 1} done`,
      };
    case 'question.answered':
      return { what: adjusterName(adjusterAsked(event.question)), detail: 'looked into' };
    case 'shims.planned':
      return { what: 'Shims', detail: 'worked out' };
    case 'round.done':
      return { what: 'Once round again', detail: 'done' };
    case 'event.undone':
      return { what: 'Undo', detail: '' };
  }
}

function describeEnd(event: EndEvent, names: ItemNames): Described {
  switch (event.type) {
    case 'closing.done':
      return {
        what: 'Closed up',
        detail: event.note ?? names.get(`closing ${event.item}`) ?? 'one thing back',
      };
    case 'bar.out':
      return { what: 'Bar and pins', detail: 'out' };
    case 'clear.said':
      return { what: event.person, detail: event.looked ?? 'clear, lock off' };
    case 'tools.counted':
      return { what: 'Tools', detail: 'counted back' };
    case 'isolation.undone':
      return {
        what: 'Isolation undone',
        detail: names.get(`undo ${event.isolation}`) ?? event.isolation,
      };
    case 'run.noted':
      return { what: 'Run', detail: event.ran ? (event.leaks ? 'leaks' : 'ran') : 'not run' };
    case 'noise.heard':
      return { what: `Noise ${event.when}`, detail: ticksInWords(event.heard) };
    case 'machine.noted':
      return { what: 'Note', detail: event.text };
    case 'job.handed':
      return { what: 'Handed over', detail: `to ${event.to}` };
    case 'record.amended':
      return { what: 'Added after signing', detail: event.text };
    case 'job.abandoned':
      return { what: 'Abandoned', detail: event.reason };
    case 'job.signed':
      return { what: event.incomplete ? 'Signed incomplete' : 'Signed', detail: event.name };
  }
}

const RETURNED = {
  'hot-run': 'run hot again',
  bump: 'bumped',
  moved: 'moved',
} as const;

/** The rules of a shop, in a few words. */
export const RULES = {
  'leave-inside': 'inside the limits stays as found',
  'reset-all': 'every adjuster is set anew',
  'loose-side': 'left alone only on the loose side of the target',
} as const;

const EXEMPTED = {
  temperature: 'Temperature not met:',
  hours: 'Hours not read:',
  ready: 'Tools and parts not all laid out:',
  leak: 'Left leaking:',
  run: 'May be run:',
} as const;

/** How the crank was turned, for the log. */
function describeTurn({ degrees, how, helper }: EventOf<'crank.turned'>): Described {
  const far = degrees === null ? 'by an unknown way' : `${Math.round(degrees)}°`;
  const who = helper === undefined ? '' : `, ${helper} turned`;
  return { what: TURNED[how], detail: `${far}${who}` };
}

const TURNED = {
  barred: 'Barred',
  overshot: 'Overshot',
  pressed: 'Barred on past the top',
  unknown: 'Turned',
} as const;

function describeObservation(
  observation: Observation,
  back: boolean | undefined,
): { what: string; detail: string } {
  const detail = back ? 'taken back' : observation.state;
  if ('id' in observation) return { what: adjusterName(observation.id), detail };
  if ('cylinder' in observation) return { what: `No. ${observation.cylinder}`, detail };
  return { what: `Mark ${observation.mark}`, detail: back ? 'taken back' : 'at the pointer' };
}

/**
 * How a nut was locked, as it was.
 *
 * @example describeLock({ how: 'torque', torque: 46 }) // 'locked at 46 N·m (33.9 lb·ft)'
 */
export function describeLock(lock: {
  how: 'torque' | 'feel';
  torque?: number | undefined;
}): string {
  if (lock.how === 'feel') return 'tightened by feel';
  // Without a torque on the sheet nobody can say that it was met.
  return lock.torque === undefined ? 'tightened' : `locked at ${formatTorque(lock.torque)}`;
}

const UNSET: Record<UnsetReason, string> = {
  seized: 'seized',
  'no-part': 'part missing',
  'no-reach': 'out of reach',
  'no-place': 'no place known for it',
  other: 'other reason',
};

/** Whether it may be run so, where somebody said it. */
export function runWords(mayRun: boolean | undefined): string | undefined {
  if (mayRun === undefined) return undefined;
  return mayRun ? 'may be run so' : 'must not be run so';
}

type Unset = { reason: UnsetReason } & Pick<LookedInto, 'note' | 'mayRun'>;

/** That an adjuster could not be set, and why. */
export function describeUnset(unset: Unset): string {
  return `cannot be set: ${whyUnset(unset)}`;
}

/** Why an adjuster could not be set. */
export function whyUnset({ reason, note, mayRun }: Unset): string {
  return [UNSET[reason], note, runWords(mayRun)].filter(Boolean).join(', ');
}
