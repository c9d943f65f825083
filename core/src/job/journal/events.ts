import * as v from 'valibot';
import {
  LARGEST_LENGTH,
  LARGEST_TORQUE,
  listUpTo,
  numberFrom,
  textUpTo,
  wholeFrom,
  wordsUpTo,
} from '../../bounds';
import { BARRING_METHODS } from '../../barring/methods';
import { ObservationSchema } from '../../crank/observation';
import { KIND_NAMES } from '../../engine/kinds';
import { SpecSchema } from '../../engine/sheet';
import { AIM_RULES, POLICIES } from '../../gauging/policy';
import { RatesSchema } from '../../gauging/rates';
import { ReadingSchema, TrialSchema } from '../../gauging/reading';
import { HeardSchema } from '../../listen/heard';
import { HoursSchema } from '../../service/hours';
import {
  adjuster,
  adjusters,
  aimed,
  angle,
  attachments,
  byARightClock,
  count,
  instant,
  knew,
  minutes,
  note,
  person,
  shimSize,
  stopNumber,
  UuidSchema,
  words,
} from './fields';
import { after, place, RETURNS, TURNS } from './crankFields';
import { ROUND_RULES } from './roundRule';
import { scopeFields } from './scope';

/**
 * The journal of a job: append-only events. Nothing is edited or deleted; undo and
 * correction are events that name their target. Types this version does not know are kept
 * and ignored, so an older phone loses nothing a newer one wrote.
 */

/** Why an adjuster cannot be set today. */
export const UNSET_REASONS = ['seized', 'no-part', 'no-reach', 'no-place', 'other'] as const;

/** What may be exempted with a reason besides an isolation, which names itself. */
export const EXEMPTIBLE = ['temperature', 'hours', 'ready', 'leak', 'run'] as const;

/** Whether the engine may be run as it is, where somebody said so. */
const mayRun = v.optional(v.boolean('It may be run, or it may not.'));

/** What each known type of event carries besides the envelope. */
const payloads = {
  /** Why the engine is opened. */
  'why.noted': {
    reason: v.picklist(['interval', 'head-work', 'symptom'], 'Say why the engine is opened.'),
    symptom: v.optional(note),
    attachments: v.optional(attachments),
  },
  /** What the job is about: only some kinds, or reading without setting; else all of it. */
  'scope.chosen': scopeFields,
  /** Since when the engine has been cold; moving it restarts that. */
  'cold.stated': { since: instant },
  /** When a hot engine was shut down, after how many minutes under way. */
  'hot.stated': { stopped: instant, ran: minutes },
  /** Which of the sheet's data tags the engine carries; empty where it is none of them. */
  'tag.read': {
    tag: note,
    reason: v.optional(words),
    /** The figures that the sheet gives for it: what the job is judged by. */
    figures: v.optional(
      listUpTo(v.looseObject({ kind: v.picklist(KIND_NAMES), spec: SpecSchema }), 20),
    ),
  },
  /** The rules of the shop that the job began with, and is judged by to its end. */
  'rules.kept': {
    policy: v.picklist(POLICIES),
    round: v.optional(v.picklist(ROUND_RULES)),
    /** Whether adjusters that drift one way are set off their target, and how fast each drifted. */
    aim: v.optional(v.picklist(AIM_RULES)),
    rates: v.optional(RatesSchema),
  },
  /** The metal's own temperature, which beats the clock, in °C. */
  'metal.read': { celsius: numberFrom(-100, 400, 'A temperature is in °C.') },
  /** A gate that cannot be met today, and why: the record says so. */
  'gate.exempted': {
    gate: v.picklist(EXEMPTIBLE, `The gate is one of ${EXEMPTIBLE.join(', ')}.`),
    reason: words,
  },
  /** Which way the engine turns, where the sheet does not say. */
  'rotation.stated': {
    sense: v.picklist(['clockwise', 'counterclockwise'], 'The sense is clockwise or not.'),
    seenFrom: v.picklist(['front', 'rear', 'flywheel'], 'It is seen from front, rear or flywheel.'),
  },
  /** Another method from here on: the plan is made anew. */
  'method.changed': { method: v.picklist(BARRING_METHODS) },
  /** One list checked before the work: tools laid out, parts at hand. */
  'ready.done': { item: words },
  /** What the hour meter shows. */
  'hours.read': {
    hours: HoursSchema,
    /** Read once more and it is so, though it looks doubtful. */
    sure: v.optional(v.boolean()),
    /** The meter was replaced or reset since the last reading. */
    replaced: v.optional(v.boolean()),
  },
  /** One item of the sheet's list, done by itself. */
  'isolation.done': { isolation: words },
  /** An item that does not apply here, and why. */
  'isolation.exempted': { isolation: words, reason: words },
  /** Whoever says it hung their own lock on what keeps the engine from starting. */
  'lock.hung': {},
  /** What came off or apart, and where it belongs: a ground wire, a clip, an odd bolt. */
  'opening.noted': {
    what: words,
    from: v.optional(note),
    attachments: v.optional(attachments),
  },
  /** The covers are off and everything is noted. */
  'opening.done': {},
  /** Fasteners of a sequence run down at one stage, each counted from 0. */
  'torque.done': {
    sequence: words,
    stage: count,
    fastener: count,
    /** The last of several in their order that were run down in one act. */
    through: v.optional(count),
  },
  /** What a rocker did at the mark; written by earlier versions, and said of no crank now. */
  'rocker.felt': { adjuster, state: v.picklist(['loose', 'firm', 'moving'], 'Say what it does.') },
  /** What was seen or felt of the crank; `back` takes it back. */
  'crank.observed': {
    observation: ObservationSchema,
    back: v.optional(v.boolean('Back is true or false.')),
    after,
  },
  /** The crank was turned: so far, give or take; null where nobody knows how far. */
  'crank.turned': {
    degrees: v.nullable(numberFrom(-10_000, 10_000, 'A turn is in degrees.')),
    within: v.optional(numberFrom(0, 10_000, 'Within is in degrees.')),
    /** The angle that it was turned to. */
    to: v.optional(angle),
    how: v.picklist(TURNS, `It was ${TURNS.join(', ')}.`),
    /** Who turned it, where that is another. */
    helper: v.optional(person),
    after,
  },
  /** Nobody turned the crank while the work lay. */
  'crank.held': { after },
  /** The work lay for so many minutes by the clock of the phone that noticed. */
  'work.paused': { minutes, after },
  /** These rockers are off or backed off: they say nothing of the crank until they are set. */
  'rockers.loosened': { adjusters },
  /** The rim’s marks are not where the sheet has them: they say nothing in this job. */
  'marks.doubted': {},
  /** The stops as planned, each by its angle, and what no stop serves. */
  'plan.made': {
    method: v.picklist(BARRING_METHODS),
    stops: listUpTo(v.object({ ...place, set: adjusters }), 250),
    unserved: adjusters,
    /** Where the manual's chart places what is off its condition there and served elsewhere. */
    moved: v.optional(listUpTo(v.object({ id: adjuster, ...place }), 250)),
  },
  /** The engine goes back to work or is moved in the middle of the job. */
  'engine.returned': { why: v.picklist(RETURNS, `It is one of ${RETURNS.join(', ')}.`), after },
  /** The crank angle settled on by earlier versions, which took it for a place in the plan. */
  'position.found': { angle },
  /** The rockers did not agree with the stop; written by earlier versions. */
  'position.lost': {},
  /** A stop of the plan by its place in it; written by earlier versions. */
  'stop.reached': { stop: stopNumber, round: v.boolean('Say whether this is the round again.') },
  /** A reading: as found, as set before locking, as left after it, or on the round again. */
  'reading.taken': {
    adjuster,
    knew,
    phase: v.picklist(
      ['found', 'set', 'left', 'again'],
      'A reading is as found, as set, as left or again.',
    ),
    reading: ReadingSchema,
    /** The blades tried, in µm; an empty list takes the reading back. */
    tried: v.optional(listUpTo(TrialSchema, 200)),
    bladeSet: v.optional(textUpTo(200)),
  },
  /** Left as found: nothing was loosened. */
  'adjuster.kept': { adjuster, knew },
  /** Set and its nut locked, to torque or by feel. */
  'adjuster.locked': {
    adjuster,
    knew,
    how: v.picklist(['torque', 'feel'], 'The nut is locked to torque or by feel.'),
    torque: v.optional(numberFrom(0, LARGEST_TORQUE, 'A torque is in N·m.')),
    /** What it was set to in µm, where that is an aim and not the maker's target. */
    aimed: v.optional(aimed),
  },
  /** What it is set to: where it stays inside longest, or the maker's target. */
  'aim.chosen': {
    adjuster,
    to: v.picklist(['aim', 'maker'], 'It is set by the aim or by the maker’s target.'),
  },
  /** The dab on the finished nut. */
  'adjuster.painted': { adjuster, knew },
  /** It cannot be set today, and why: the job is closed as incomplete at best. */
  'adjuster.unset': {
    adjuster,
    reason: v.picklist(UNSET_REASONS, `Give the reason: ${UNSET_REASONS.join(', ')}.`),
    note: v.optional(note),
    attachments: v.optional(attachments),
    mayRun,
  },
  /** Set where a person states that it may be, though the model does not say so, and why. */
  'adjuster.placed': {
    adjuster,
    reason: words,
    /** The angle that the manual's chart sets it at; absent where it is set where it stands. */
    stop: v.optional(angle),
  },
  /** Set at the stop of its largest margin, not where the manual's chart has it. */
  'adjuster.moved': { adjuster },
  /** It can be set after all: what was done to it before it was given up stands. */
  'adjuster.resumed': { adjuster },
  /** To be read again on the round, whatever the shop's rule. */
  'adjuster.doubted': { adjuster },
  /** A slip or a finding was looked into before the adjuster was touched. */
  'question.answered': {
    question: words,
    answer: words,
    says: v.optional(note),
    /** What was seen, in words. */
    note: v.optional(note),
    attachments: v.optional(attachments),
    mayRun,
  },
  /** The size of the shim that was in the bucket, µm. */
  'shim.found': { adjuster, knew, size: shimSize },
  /** Which shims go where and in which order, as worked out from what was measured. */
  'shims.planned': {
    rows: listUpTo(
      v.object({
        id: adjuster,
        old: shimSize,
        new: shimSize,
        from: textUpTo(100),
        lash: numberFrom(-LARGEST_LENGTH, LARGEST_LENGTH, 'A lash is in µm.'),
        sum: textUpTo(500),
        /** What it was planned for in µm, where that is an aim. */
        aimed: v.optional(aimed),
      }),
      250,
    ),
    buy: listUpTo(v.object({ size: shimSize, count }), 250),
    outside: adjusters,
    order: listUpTo(
      v.object({
        /** Its stop by place, in journals of earlier versions; the order is worked out now. */
        stop: v.optional(stopNumber),
        id: adjuster,
        out: v.nullable(shimSize),
        in: v.nullable(shimSize),
      }),
      1000,
    ),
  },
  /** The shim put into the bucket, µm; null is a stand-in, there only to be barred with. */
  'shim.fitted': { adjuster, knew, size: v.nullable(shimSize) },
  /** Once round again is done. */
  'round.done': {},
  /** One thing done while closing up. */
  'closing.done': { item: words, note: v.optional(note) },
  /** Bar and pins out: first of all before starting. */
  'bar.out': {},
  /** A person who isolated or barred is clear, own lock off, at any time of the job; `looked`
   * where another went and looked for one who was not heard from. */
  'clear.said': { person, looked: v.optional(words) },
  /** Every tool counted back against the list. */
  'tools.counted': {},
  /** One isolation undone, able to start again. */
  'isolation.undone': { isolation: words },
  /** How it ran, or why it was not run; run once more after a leak was mended. */
  'run.noted': {
    ran: v.boolean('Say whether the engine ran.'),
    leaks: v.boolean('Say whether anything leaks.'),
    symptomGone: v.optional(v.boolean()),
    note: v.optional(note),
  },
  /** Ten seconds at idle, before the work or after it, and what listening told of them. */
  'noise.heard': {
    when: v.picklist(['before', 'after'], 'A noise is heard before or after.'),
    heard: HeardSchema,
    /** The clip. */
    attachments: v.pipe(attachments, v.length(1, 'A noise is one clip.')),
  },
  /** What the next one at this machine should know. */
  'machine.noted': { text: words },
  /** Another person carries on. */
  'job.handed': { to: person },
  /** Begun by mistake: kept with the reason, and not counted. */
  'job.abandoned': { reason: words },
  /** The end of the job; incomplete where something could not be set. */
  'job.signed': { name: person, incomplete: v.optional(v.boolean('Incomplete is true or false.')) },
  /** Said of a signed record later on; it changes nothing that was signed. */
  'record.amended': { text: words },
  /** Takes an earlier event back. */
  'event.undone': { target: UuidSchema },
} as const satisfies Record<string, v.ObjectEntries>;

const envelope = {
  id: UuidSchema,
  job: UuidSchema,
  n: wholeFrom(1, Number.MAX_SAFE_INTEGER, 'n is a whole number from 1.'),
  at: instant,
  by: person,
};

type Payloads = typeof payloads;
type OptionalKeys<E extends v.ObjectEntries> = {
  [K in keyof E]: E[K] extends v.OptionalSchema<v.GenericSchema, unknown> ? K : never;
}[keyof E];
/** What an object of these entries holds once checked. */
type Output<E extends v.ObjectEntries> = {
  [K in Exclude<keyof E, OptionalKeys<E>>]: v.InferOutput<E[K]>;
} & { [K in OptionalKeys<E>]?: v.InferOutput<E[K]> };
export type JobEventType = keyof Payloads;
type Envelope = Output<typeof envelope>;
type PayloadOf<T extends JobEventType> = Output<Payloads[T]>;

/** An event of a known type. */
export type KnownEvent = {
  [T in JobEventType]: Envelope & { type: T } & PayloadOf<T>;
}[JobEventType];
/** The events of one or several types. */
export type EventOf<T extends JobEventType> = Extract<KnownEvent, { type: T }>;
/** An event of a type this version does not know. */
export type UnknownEvent = Envelope & { type: string; [field: string]: unknown };
export type JobEvent = KnownEvent | UnknownEvent;

/** What a person does, before it gets its envelope. */
export type JobAct = {
  [T in JobEventType]: { type: T } & PayloadOf<T>;
}[JobEventType];

/** Each type of event that this version knows, by its name. */
export const EVENT_SCHEMAS: ReadonlyMap<string, v.GenericSchema> = new Map(
  Object.entries(payloads).map(([type, entries]) => [
    type,
    v.looseObject({ ...envelope, type: v.literal(type), ...entries }),
  ]),
);

const anyEvent = v.looseObject(
  {
    ...envelope,
    type: wordsUpTo(60, 'An event has a type.'),
  },
  'An event is an object with id, job, n, at, by and type.',
);

/** Checks one event: its envelope always, its payload where the type is known. */
export const JobEventSchema = v.lazy((input: unknown) => {
  const type = typeof input === 'object' && input !== null && 'type' in input ? input.type : '';
  // A map forgets which type has which payload: what it holds was made of them above.
  // oxlint-disable-next-line typescript/consistent-type-assertions
  return (EVENT_SCHEMAS.get(String(type)) ?? anyEvent) as unknown as v.GenericSchema<JobEvent>;
});

export const MOST_EVENTS = 500;

/** What a phone sends: up to 500 events of one job. */
export const JobEventsSchema = v.pipe(
  v.array(v.pipe(JobEventSchema, byARightClock()), 'Send an array of events.'),
  v.maxLength(MOST_EVENTS, `Send at most ${MOST_EVENTS} events at a time.`),
);

type Guard<T extends JobEventType> = (event: KnownEvent) => event is EventOf<T>;

/** Tells the events of these types from all others. */
export function isOneOf<T extends JobEventType>(...types: readonly T[]): Guard<T> {
  const wanted: ReadonlySet<string> = new Set(types);
  return (event): event is EventOf<T> => wanted.has(event.type);
}

/** The events that such a guard tells. */
export type ToldBy<G> = G extends Guard<infer T> ? EventOf<T> : never;

/** Whether this version knows the event's type. */
export function isKnown(event: JobEvent): event is KnownEvent {
  return EVENT_SCHEMAS.has(event.type);
}
