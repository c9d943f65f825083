import type { BarringMethod } from '../../barring/methods';
import type { AdjusterKind } from '../../engine/kinds';
import type { EngineSheet, Spec } from '../../engine/sheet';
import type { Verdict } from '../../gauging/judgeReading';
import type { Measure } from '../../gauging/measure';
import type { Reading } from '../../gauging/reading';
import type { Finding } from '../../service/finding';
import type { TorqueStage } from '../../torque/sequence';
import type { Attachment } from '../../attachment';
import type { JobHours } from '../journal/hoursOf';
import type { JobScope } from '../journal/scope';
import type { JobHead } from '../journal/jobHead';
import type { AdjusterState, JobRules, JobState, LookedInto } from '../journal/state';
import type { Deviation } from './deviations';
import type { PhaseTime } from './phaseTimes';

/** A reading with what it says by the figures that count for this engine. */
export type JudgedReading = { reading: Reading; verdict: Verdict | undefined };

/** What a job did to one adjuster, for people. */
export type RecordedAdjuster = {
  id: string;
  kind: AdjusterKind;
  cylinder: number;
  measure: Measure;
  /** Its limits by the data tag; none where the sheet holds no figure. µm, or mN·m. */
  limits: Spec | undefined;
  found: JudgedReading | undefined;
  /** Read as found on another phone as well, later, neither having heard of the other. */
  foundToo: { reading: Reading; by: string | undefined } | undefined;
  /** As set, before locking. */
  set: JudgedReading | undefined;
  /** As it was left: after locking or fitting, or as found where it was left alone. */
  left: JudgedReading | undefined;
  /** Once more on the round. */
  again: JudgedReading | undefined;
  lock: AdjusterState['locked'];
  /** What it was set to against its drift, µm; none where that was the maker's target. */
  aimed: number | undefined;
  /** The shim that was in it and the one put in, µm; null is a stand-in. */
  shim: { found: number | undefined; fitted: number | null | undefined } | undefined;
  unset: AdjusterState['unset'];
  /** It was off or backed off, as somebody said in this job. */
  backedOff: boolean;
  /** It cannot be set, and is left half done, or without its shim. */
  leftOpen: boolean;
  /** Whether its nut was loosened or its shim changed at any time of the job. */
  touched: boolean;
  /** The job was not about it: nothing was to be done there, and it stays due. */
  outOfScope: boolean;
  /** The dab is on its nut, or its bucket is finished. */
  dab: boolean;
  /** Finished without being touched. */
  kept: boolean;
  /** Doubted, and not read again since. */
  doubted: boolean;
  /** Changed on two phones, neither having heard of the other, and not locked and read since. */
  apart: boolean;
  /** Everyone who read or set it. */
  people: string[];
};

/** One bank of the head, its cylinders from the front with their adjusters in their places. */
export type RecordedBank = {
  name: string;
  cylinders: { cylinder: number; adjusters: RecordedAdjuster[] }[];
};

/** One isolation: who made it and took it back, or why it did not apply. */
export type RecordedIsolation = {
  text: string;
  undo: string;
  done: { by: string; at: string } | undefined;
  exempt: string | undefined;
  undone: { by: string; at: string } | undefined;
};

/** A sequence of fasteners: its final torque, N·m, its stages, and how many steps were done. */
export type RecordedTorque = {
  name: string;
  torque: number;
  stages: readonly TorqueStage[];
  done: number;
  of: number;
};

/**
 * The one truth of a job for people: what screen, PDF, CSV and archive show, and nothing that
 * they work out themselves. Lengths in µm, preloads in mN·m, torques in N·m, instants in ISO.
 */
export type JobRecord = {
  head: JobHead;
  /** The method it was worked by in the end. */
  method: BarringMethod;
  rules: Pick<JobRules, 'policy' | 'round' | 'aim'>;
  sheet: {
    name: string;
    revision: number;
    source: { title?: string; revision?: string } | undefined;
    service: EngineSheet['service'];
  };
  tag: { tag: string; reason: string | undefined } | undefined;
  why: JobState['why'];
  /** What it was about; `leftOut` are the kinds of its sheet that it was not about. */
  scope: { told: JobScope | undefined; leftOut: AdjusterKind[] };
  hours: JobHours | undefined;
  temperature:
    | { state: 'cold'; since: string | undefined }
    | { state: 'hot'; run: { stopped: string; ran: number } | undefined };
  metal: JobState['metal'];
  /** What stood in for the sheet where it is silent: who said how it turns, and typical lobes. */
  supposed: { turning: JobState['rotation']; lobes: AdjusterKind[] };
  people: string[];
  phases: PhaseTime[];
  banks: RecordedBank[];
  /** Read after the hot window was over. */
  tooCool: string[];
  /** What was asked about a reading and answered. */
  answers: (LookedInto & { id: string; says: string; answer: string; by: string })[];
  /** What the readings tell and nobody looked into. */
  open: Finding[];
  deviations: Deviation[];
  isolations: RecordedIsolation[];
  torques: RecordedTorque[];
  /** What came off, and whether it was ticked as back. */
  cameOff: (JobState['noted'][number] & { back: boolean })[];
  closing: { text: string; by: string; note: string | undefined }[];
  barOut: JobState['barOut'];
  /** Everyone's own lock, and how it came off. */
  locks: JobState['locks'];
  /** Who said clear and hung no lock. */
  clears: { person: string; by: string; looked: string | undefined }[];
  tools: JobState['toolsCounted'];
  /** Every run in order; the last one counts. */
  runs: JobState['runs'];
  /** How it sounded at idle before the work and after it. */
  noise: JobState['noise'];
  notes: { text: string; by: string }[];
  handed: JobState['handed'];
  attachments: Attachment[];
  /** Said after the signature, in order. */
  additions: JobState['amendments'];
  /** What came when it was signed already, and a signature that came too soon: kept, not counted. */
  late: JobState['late'];
  /** Begun by mistake, and by whom that was said. */
  abandoned: JobState['abandoned'];
  signed: JobState['signed'];
  /** How many adjusters and entries of the journal it counts. */
  counts: { adjusters: number; entries: number };
};

/** Every adjuster of a record from the front, bank by bank. */
export function adjustersIn({ banks }: Pick<JobRecord, 'banks'>): RecordedAdjuster[] {
  return banks.flatMap(({ cylinders }) => cylinders.flatMap(({ adjusters }) => adjusters));
}
