import type { Observation } from '../../barring/observation';
import type { RockerFeel } from '../../barring/position';
import type { Reading, Trial } from '../../gauging/reading';
import type { ShimPlan } from '../../gauging/shims';
import type { Attachment } from './attachment';
import type { KnownEvent, UNSET_REASONS } from './events';

export type UnsetReason = (typeof UNSET_REASONS)[number];

/** What the journal says of one adjuster. */
export type AdjusterState = {
  found?: TakenReading;
  /** The size of the shim found in the bucket, µm. */
  shim?: number;
  /** Answered that it cannot be set today. */
  unset?: { reason: UnsetReason; note?: string | undefined; by: string };
  /** To be read again on the round. */
  doubted?: boolean;
  kept?: boolean;
  /** As set, before locking. */
  set?: TakenReading;
  locked?: { how: 'torque' | 'feel'; torque?: number | undefined; by: string };
  /** The shim put in, µm; null is a stand-in. */
  fitted?: number | null;
  /** Read again after locking; a later lock takes it away, for it says nothing any more. */
  left?: TakenReading;
  painted?: boolean;
  /** On the round again. */
  again?: TakenReading;
};

/** A reading with the blades tried for it, if it was taken blade by blade. */
export type TakenReading = Reading & {
  tried?: Trial[] | undefined;
  bladeSet?: string | undefined;
  by?: string | undefined;
};

/** A job as its journal tells it. */
export type JobState = {
  why?: {
    reason: 'interval' | 'head-work' | 'symptom';
    symptom?: string | undefined;
    attachments?: Attachment[] | undefined;
  };
  coldSince?: string;
  /** When the hot engine was shut down, and how long it had run. */
  hot?: { stopped: string; ran: number };
  /** The data tag read on the engine; empty where it is none the sheet knows. */
  tag?: string;
  /** Lists checked before the work. */
  ready: Record<string, { by: string; at: string }>;
  hours?: { hours: number; at: string };
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
  torqued: Record<string, { by: string; at: string }>;
  felt: Record<string, RockerFeel>;
  /** What was seen and felt to locate the crank. */
  observations: Observation[];
  foundAt?: number;
  /** Stops reached with the rockers agreeing, by place in the plan. */
  reached: number[];
  reachedAgain: number[];
  /** Where the crank was last known to stand. */
  lastStop?: { stop: number; round: boolean; at: string };
  adjusters: Record<string, AdjusterState>;
  /** Answers to slips and findings, by question. */
  answers: Record<string, { answer: string; says?: string | undefined; by: string; at: string }>;
  shims?: ShimPlan;
  roundDone?: boolean;
  closing: Record<string, { by: string; at: string; note?: string | undefined }>;
  barOut?: { by: string; at: string };
  /** Who is clear, by person. */
  clear: Record<string, { by: string; at: string; looked?: string | undefined }>;
  toolsCounted?: { by: string; at: string };
  undone: Record<string, { by: string; at: string }>;
  machineNotes: { id: string; text: string; by: string; at: string }[];
  handed: { to: string; by: string; at: string }[];
  run?: {
    ran: boolean;
    leaks: boolean;
    symptomGone?: boolean | undefined;
    note?: string | undefined;
  };
  /** Said after the signature, in order. */
  amendments: { text: string; by: string; at: string }[];
  signed?: { name: string; at: string; incomplete?: boolean | undefined };
  /** The events that count, in order: undone ones and undoings left out. */
  standing: KnownEvent[];
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
    felt: {},
    observations: [],
    reached: [],
    reachedAgain: [],
    adjusters: {},
    answers: {},
    closing: {},
    clear: {},
    undone: {},
    machineNotes: [],
    handed: [],
    amendments: [],
    standing: [],
    lastN: 0,
  };
}
