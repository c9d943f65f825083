import type { ShimAct } from '../../gauging/shimOrder';
import type { SettingSpec } from '../../gauging/toSet';
import type { Measure } from '../../gauging/measure';
import type { Judgement } from '../../gauging/judgeReading';
import type { Feel } from '../../crank/rockersToFeel';
import type { Observation } from '../../crank/observation';
import type { Missing } from './missing';
import type { Question } from './questions';
import type { Refused } from '../../result';

/** The steps of a job, in the order of the work. */
export type StepId =
  | 'why'
  | 'ready'
  | 'unable'
  | 'open'
  | 'torque'
  | 'find'
  | 'stop'
  | 'shims'
  | 'round'
  | 'close'
  | 'able'
  | 'run';

/** Why rockers are felt: to find the place, to check a stop, or because something is odd. */
export type FeelWhy = 'find' | 'check' | 'narrow';

/** Which way the engine turns, as seen from where one stands; unknown where nobody said. */
export type Rotation = { sense: 'clockwise' | 'counterclockwise'; seenFrom: string };

/** The gap, height or torque to make, and where it may lie. */
export type Figure = { measure: Measure; spec: SettingSpec };

export type BarInstruction = {
  do: 'bar';
  /** The angle to stop at; unknown where only the next mark or a peak is waited for. */
  to?: number;
  /** How far, degrees forward; unknown where nobody knows where the crank is. */
  least?: number;
  most?: number;
  /** What is seen there: any mark where it is left open, else by eye or the tool's turns. */
  sight?: Observation | 'any-mark';
  /** How the turn is written down: its middle, and how far off it may be. */
  turned: { degrees: number | null; within?: number };
  /** What to feel there. */
  feel: Feel;
  rotation?: Rotation;
  why: 'find' | 'stop' | 'round' | 'shims' | 'peak';
};

/** What is settled before a reading: the film of oil in it would be read along. */
export type Settle = 'rocker' | 'bucket' | 'injector' | 'screw' | 'slave';

type OfAdjuster = { id: string };

/** The one thing to do next, with all that a person needs for it. */
export type Instruction = { step: StepId; missing: Missing[] } & (
  | {
      do: 'answer';
      ask: 'why' | 'hours' | 'temperature' | 'rotation' | 'turned' | 'round' | 'leak';
    }
  | { do: 'answer'; ask: 'tag'; tags: string[] }
  | { do: 'answer'; ask: 'ready'; item: string }
  | { do: 'answer'; ask: 'method'; why: Refused }
  /** No stop serves it, or the sheet has no figure for it; a person may know where it is set. */
  | { do: 'answer'; ask: 'unserved'; id: string; why: 'no-stop' | 'no-figure'; mayPlace: boolean }
  /** The manual's chart sets it at `at`, where it may stand on its lobe: there, or elsewhere. */
  | { do: 'answer'; ask: 'chart'; id: string; at: number; margin: number }
  | { do: 'answer'; ask: 'shim'; id: string }
  /** What its reading raises, before anything is done to it. */
  | { do: 'answer'; ask: 'question'; id: string; question: Question }
  | { do: 'isolate'; isolation: string }
  /** Everyone hangs their own lock before their hands go in. */
  | { do: 'hang' }
  | { do: 'open' }
  | { do: 'torque'; sequence: string; stage: number; fastener: number }
  | { do: 'look'; again: Observation[] }
  | BarInstruction
  | { do: 'feel'; why: FeelWhy; feel: Feel; cylinder?: number; odd: string[] }
  /** `settle`: the first of its kind in this job, so how it is settled first is said. */
  | ({ do: 'read'; phase: 'found' | 'left' | 'again'; settle?: Settle } & OfAdjuster & Figure)
  /** The reading spans a limit: these blades decide; else it may be left or set as it is. */
  | ({ do: 'settle'; phase: 'found' | 'left' | 'again'; tries: number[] } & OfAdjuster & Figure)
  | ({ do: 'decide'; judgement: Judgement } & OfAdjuster & Figure)
  | ({ do: 'adjust'; judgement?: Judgement; torque?: number } & OfAdjuster & Partial<Figure>)
  /** `apart`: two phones set it, neither having heard of the other. */
  | ({ do: 'lock'; apart?: true; torque?: number } & OfAdjuster & Figure)
  | ({ do: 'mark' } & OfAdjuster)
  | { do: 'fit'; acts: ShimAct[] }
  | { do: 'fit'; plan: true }
  | { do: 'round' }
  | { do: 'close'; item: string }
  | { do: 'clear'; what: 'bar' }
  | { do: 'clear'; what: 'person'; person: string }
  | { do: 'count' }
  | { do: 'restore'; isolation: string }
  /** `not`: what somebody said it must not be run with. */
  | { do: 'run'; not: string[] }
  /** `unset` could not be set; `outside` was only checked and is left outside its limits. */
  | {
      do: 'sign';
      incomplete: boolean;
      unset: string[];
      outside: string[];
      ran: boolean;
      leaks: boolean;
    }
);

/** One kind of instruction. */
export type InstructionTo<D extends Instruction['do']> = Extract<Instruction, { do: D }>;
