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
  wantedOf,
} from '@longbar/core';
import type { KeptJob } from '../../../state/jobs';
import { openJob } from '../../../state/jobs';
import type { WorkingJob } from './useJob';

/** A job as core tells it at an instant: what stands, what comes next, what may be set. */
export function workingJob(kept: KeptJob, now: string): Omit<WorkingJob, 'by' | 'act' | 'undo'> {
  const { context, setting, state } = openJob(kept);
  const plan = jobPlan(setting, state);
  const steps = jobSteps(setting, state, now);
  const instruction = instructionOf(setting, state, now);
  return {
    context,
    setting,
    state,
    plan,
    crank: crankOfJob(setting.sheet, state),
    instruction,
    says: instruction && describeInstruction(instruction, itemNames(setting.sheet, state)),
    offered: isRefused(plan) ? [] : offeredOf(setting, state, plan, wantedOf(setting, state, plan)),
    steps,
    present: presentStep(setting, state, steps, instruction),
  };
}
