import type {
  BarringPlan,
  CrankOfJob,
  Instruction,
  JobAct,
  JobContext,
  JobSetting,
  JobState,
  Refused,
  Rotation,
  SaidInstruction,
  StandsAt,
  Step,
} from '@longbar/core';
import {
  crankOfJob,
  describeInstruction,
  instructionOf,
  isRefused,
  itemNames,
  jobPlan,
  jobSteps,
  lastTapped,
  offeredOf,
  presentStep,
  rotationOf,
  turnsSeenFrom,
  wantedOf,
} from '@longbar/core';
import type { KeptJob } from '../../../state/jobs';
import { openJob } from '../../../state/openJob';

/** A job as the screen works with it. */
export type WorkingJob = {
  context: JobContext;
  setting: JobSetting;
  state: JobState;
  plan: BarringPlan | Refused;
  /** Where the crank is believed to stand. */
  crank: CrankOfJob;
  /** Which way it turns, seen from where one stands; unknown where nobody said. */
  rotation: Rotation | undefined;
  /** The one thing to do next; none once the job is signed. */
  instruction: Instruction | undefined;
  /** The same in words. */
  says: SaidInstruction | undefined;
  /** What may be set where the crank stands, and is asked for. */
  offered: readonly string[];
  steps: Step[];
  present: number;
  /** Who works with this phone. */
  by: string;
  /** Keeps acts on the phone; the screen answers when they are on its disk. */
  act: (...acts: JobAct[]) => void;
  /** The same by another who worked with this phone, and taps for themselves. */
  actAs: (person: string, ...acts: JobAct[]) => void;
  /** Takes this person's last act back. */
  undo: () => void;
};

/** A job as core tells it at an instant: what stands, what comes next, what may be set. */
export function workingJob(
  kept: KeptJob,
  now: string,
  by: string,
  standsAt: StandsAt | null,
): Omit<WorkingJob, 'act' | 'actAs' | 'undo'> {
  const { context, setting, state } = openJob(kept);
  const plan = jobPlan(setting, state);
  const steps = jobSteps(setting, state, now);
  const rotation = rotationOf(setting.sheet, state);
  const turns = rotation && turnsSeenFrom(rotation, standsAt);
  const instruction = asSeen(instructionOf(setting, state, now, by), turns);
  return {
    by,
    context,
    setting,
    state,
    plan,
    crank: crankOfJob(setting.sheet, state),
    rotation: turns,
    instruction,
    says: instruction && describeInstruction(instruction, itemNames(setting.sheet, state)),
    offered: isRefused(plan) ? [] : offeredOf(setting, state, plan, wantedOf(setting, state, plan)),
    steps,
    present: presentStep(setting, state, steps, instruction),
  };
}

/** The instruction, with the way to turn as it is seen from where one stands. */
function asSeen(
  instruction: Instruction | undefined,
  rotation: Rotation | undefined,
): Instruction | undefined {
  return instruction?.do === 'bar' && rotation ? { ...instruction, rotation } : instruction;
}

/** A job to be worked at by somebody, whose acts are kept as `actAs` keeps them. */
export function jobAtWork(
  kept: KeptJob,
  now: string,
  by: string,
  standsAt: StandsAt | null,
  actAs: WorkingJob['actAs'],
): WorkingJob {
  const tapped = lastTapped(openJob(kept).state, by);
  const act = (...acts: JobAct[]) => actAs(by, ...acts);
  return {
    ...workingJob(kept, now, by, standsAt),
    act,
    actAs,
    undo: () => act(...tapped.map(({ id }): JobAct => ({ type: 'event.undone', target: id }))),
  };
}
