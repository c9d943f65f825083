import {
  crankOfJob,
  describeInstruction,
  instructionOf,
  isRefused,
  itemNames,
  jobPlan,
  jobSteps,
  offeredOf,
  presentStep,
  rotationOf,
  turnsSeenFrom,
  wantedOf,
} from '@longbar/core';
import type { Instruction, Rotation, StandsAt } from '@longbar/core';
import type { KeptJob } from '../../../state/jobs';
import { openJob } from '../../../state/jobs';
import type { WorkingJob } from './useJob';

/** A job as core tells it at an instant: what stands, what comes next, what may be set. */
export function workingJob(
  kept: KeptJob,
  now: string,
  standsAt: StandsAt | null,
): Omit<WorkingJob, 'by' | 'act' | 'undo'> {
  const { context, setting, state } = openJob(kept);
  const plan = jobPlan(setting, state);
  const steps = jobSteps(setting, state, now);
  const rotation = rotationOf(setting.sheet, state);
  const turns = rotation && turnsSeenFrom(rotation, standsAt);
  const instruction = asSeen(instructionOf(setting, state, now), turns);
  return {
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
