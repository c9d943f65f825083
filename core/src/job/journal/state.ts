import type { BarringMethod } from '../../barring/methods';
import type { CrankEntry } from '../../crank/observation';
import type { TagFigures } from '../../engine/variant';
import type { JobScope } from './scope';
import type { AimRule, ShopPolicy } from '../../gauging/policy';
import type { Rates } from '../../gauging/rates';
import type { Reading, Trial } from '../../gauging/reading';
import type { ShimPlan } from '../../gauging/shims';
import type { Heard } from '../../listen/heard';
import type { Attachment } from '../../attachment';
import type { RoundRule } from './roundRule';
import { EventLog } from './eventLog';
import type { EventOf, EXEMPTIBLE, JobEvent, UNSET_REASONS } from './events';

export type UnsetReason = (typeof UNSET_REASONS)[number];

/** What the journal says of one adjuster. */
export type AdjusterState = {
  found?: TakenReading;
  /** The readings that tell how it was found, one after the other; the last one counts. */
  foundAs?: readonly FoundAs[];
  /** Read as found on another phone as well, later, neither having heard of the other. */
  foundToo?: TakenReading;
  /** Set on two phones, neither having heard of the other: nobody knows how it stands. */
  apart?: boolean;
  /** Off or backed off, as somebody said: it is set, whatever was read or done before. */
  off?: boolean;
  /** The size of the shim found in the bucket, µm. */
  shim?: number;
  /** Set where a person states that it may be, and why; at the chart's own stop or at once. */
  placed?: { reason: string; by: string; at: string; stop?: number | undefined; turn: number };
  /** Set at the stop of its largest margin, not where the manual's chart has it. */
  moved?: boolean;
  /** How often the crank had been turned when it was finished. */
  doneAtTurn?: number;
  /** Answered that it cannot be set today. */
  unset?: LookedInto & { reason: UnsetReason; by: string };
  /** What was answered so before, each time it was taken up again since. */
  givenUp?: NonNullable<AdjusterState['unset']>[];
  /** To be read again on the round. */
  doubted?: boolean;
  kept?: boolean;
  /** As set, before locking. */
  set?: TakenReading;
  locked?: {
    how: 'torque' | 'feel';
    torque?: number | undefined;
    by: string;
    /** What it was set to, µm, where that was an aim. */
    aimed?: number;
  };
  /** What somebody chose to set it to; the shop's rule decides where nobody did. */
  aim?: 'aim' | 'maker';
  /** The shim put in, µm; null is a stand-in. */
  fitted?: number | null;
  /** Read again after locking; a later lock takes it away, for it says nothing any more. */
  left?: TakenReading;
  painted?: boolean;
  /** Finished by being checked: nobody put a dab on its nut. */
  checked?: boolean;
  /** On the round again. */
  again?: TakenReading;
  /** That reading spans a limit, and was left so. */
  againAccepted?: boolean;
};

/** What somebody saw of a thing that is wrong, and whether the engine may be run with it. */
export type LookedInto = {
  note?: string | undefined;
  attachments?: Attachment[] | undefined;
  mayRun?: boolean | undefined;
};

/** A reading as found, with its event and when it was taken. */
export type FoundAs = { id: string; at: string; reading: TakenReading };

/** The last event of the work at an adjuster, and when it or one before it first changed the setting. */
export type LastThere = { id: string; changed: string | undefined };

/** A reading with the blades tried for it, if it was taken blade by blade. */
export type TakenReading = Reading & {
  tried?: Trial[] | undefined;
  bladeSet?: string | undefined;
  by?: string | undefined;
};

export type Exemptible = (typeof EXEMPTIBLE)[number];
/** Why a gate was not met; `lapsed` where something that it did not know of was said since. */
export type Exempted = { reason: string; by: string; at: string; lapsed?: true };
export type KeptPlan = Pick<EventOf<'plan.made'>, 'method' | 'stops' | 'unserved' | 'moved'>;

/** What the journal says of the crank. */
export type CrankState = {
  /** What was seen and turned since the last turn that nobody knows, oldest first. */
  history: readonly CrankEntry[];
  /** The last event of the crank: a phone names it in the next. */
  last: string | null;
  /** Why what was known does not count until somebody says that nobody turned it. */
  doubted?: 'paused' | 'handed';
  /** The angle that it was last turned to. */
  target?: number;
  /** How often it was turned. */
  turns: number;
  /** Rockers that are off or backed off, and not set since. */
  loosened: readonly string[];
};

/** A person's own lock on what keeps the engine from starting: since when, and how it came off. */
export type OwnLock = {
  person: string;
  hung: string;
  /** `looked` where another took it off: where person and lock were found. */
  off?: { by: string; at: string; looked?: string | undefined };
};

/** The rules of the shop that a job began with, and the rates it aims by. */
export type JobRules = {
  policy: ShopPolicy;
  round?: RoundRule | undefined;
  aim?: AimRule | undefined;
  rates?: Rates | undefined;
};

/** A clip of the engine at idle, and what listening told of it. */
export type HeardNoise = { clip: Attachment; heard: Heard; by: string; at: string };

/** A job as its journal tells it. */
export type JobState = {
  why?: {
    reason: 'interval' | 'head-work' | 'symptom';
    symptom?: string | undefined;
    attachments?: Attachment[] | undefined;
  };
  /** What it is about, where that is not all of the engine. */
  scope?: JobScope;
  coldSince?: string;
  /** When the hot engine was shut down, and how long it had run. */
  hot?: { stopped: string; ran: number };
  /** The data tag read on the engine; empty where it is none the sheet knows. */
  tag?: string;
  /** The figures that the tag brought, as the journal keeps them. */
  tagFigures?: TagFigures;
  /** The rules that the job is judged by. */
  rules?: JobRules;
  /** Why it is none that the sheet knows. */
  tagReason?: string;
  /** Closing up had begun when it was opened once more. */
  openedAgain?: { by: string; at: string };
  /** Lists checked before the work. */
  ready: Record<string, { by: string; at: string }>;
  hours?: { hours: number; at: string; sure?: boolean; replaced?: boolean };
  isolations: Record<string, { by: string; at: string; exempt?: string }>;
  /** What came off or apart and belongs somewhere, by the event that noted it. */
  noted: {
    id: string;
    what: string;
    from?: string | undefined;
    attachments?: Attachment[] | undefined;
    by: string;
    at: string;
  }[];
  opened?: { by: string; at: string };
  /** Fasteners run down, as `sequence stage fastener`. */
  torqued: Record<string, { by: string; at: string; closing?: true }>;
  /** All that is known of the crank. */
  crank: CrankState;
  /** The stops, made once when the place is first told, until something changes them. */
  plan?: KeptPlan;
  /** The method chosen in the job, where it is not the one it began with. */
  method?: BarringMethod;
  rotation?: { sense: 'clockwise' | 'counterclockwise'; seenFrom: string; by: string };
  /** The marks are not where the sheet has them, and say nothing. */
  marksDoubted?: true;
  /** What was exempted, and why; an isolation's exemption stands with it. */
  exempted: Partial<Record<Exemptible, Exempted>>;
  /** The metal's temperature, °C. */
  metal?: { celsius: number; by: string; at: string };
  /** Everyone who isolated, barred, helped to bar or worked at the rockers, each once. */
  people: string[];
  adjusters: Record<string, AdjusterState>;
  /** The last events at each adjuster: several where phones had not heard of each other. */
  lastThere: Record<string, readonly LastThere[]>;
  /** Answers to slips and findings, by question. */
  answers: Record<
    string,
    LookedInto & { answer: string; says?: string | undefined; by: string; at: string }
  >;
  /**
   * The shims as worked out, and what was put in since: null is a stand-in. `keptBy` names, by the
   * bucket that waits for its shim, the one that keeps it.
   */
  shims?: Pick<ShimPlan, 'rows' | 'buy' | 'outside'> & {
    put: Record<string, number | null>;
    keptBy: Record<string, string>;
  };
  roundDone?: boolean;
  closing: Record<string, { by: string; at: string; note?: string | undefined }>;
  barOut?: { by: string; at: string };
  /** Everyone's own lock, in the order in which they were hung. */
  locks: readonly OwnLock[];
  /** Who is clear, by person. */
  clear: Record<string, { by: string; at: string; looked?: string | undefined }>;
  toolsCounted?: { by: string; at: string };
  undone: Record<string, { by: string; at: string }>;
  machineNotes: { id: string; text: string; by: string; at: string }[];
  handed: { to: string; by: string; at: string }[];
  /** How it ran, or that it was not run; the last one counts, save one `before` it was opened again. */
  runs: readonly {
    ran: boolean;
    leaks: boolean;
    symptomGone?: boolean | undefined;
    note?: string | undefined;
    by: string;
    before?: true;
  }[];
  /** How it sounded at idle before the work and after it. */
  noise: { before?: HeardNoise; after?: HeardNoise };
  /** Said after the signature, in order. */
  amendments: { text: string; by: string; at: string }[];
  /** Begun by mistake: it is out of the way, and counts for nothing. */
  abandoned?: { reason: string; by: string; at: string };
  signed?: { name: string; at: string; incomplete?: boolean | undefined };
  /** What came after the signature or too late for it, and a signature that came too soon. */
  late: readonly JobEvent[];
  /** The events that count, in order: undone ones and undoings left out. */
  standing: EventLog;
  /** The highest `n` seen in the journal. */
  lastN: number;
};

/** The state of a job of which nothing is known yet. */
export function emptyJob(): JobState {
  return {
    ready: {},
    isolations: {},
    noted: [],
    torqued: {},
    crank: { history: [], last: null, turns: 0, loosened: [] },
    exempted: {},
    people: [],
    adjusters: {},
    lastThere: {},
    answers: {},
    closing: {},
    locks: [],
    clear: {},
    undone: {},
    machineNotes: [],
    handed: [],
    runs: [],
    noise: {},
    amendments: [],
    late: [],
    standing: EventLog.empty,
    lastN: 0,
  };
}
