import { entryOf, specOf } from '../engine/adjusterEntry';
import { adjustersOf } from '../engine/adjusters';
import type { EngineSheet, Spec } from '../engine/sheet';
import { measureOf } from '../gauging/measure';
import { middleOf } from '../gauging/reading';
import type { Screw } from '../gauging/screw';
import type { Instruction } from '../job/instruction/instruction';
import { jobPlan } from '../job/instruction/jobPlan';
import type { JobSetting } from '../job/journal/setting';
import type { JobState } from '../job/journal/state';
import { torqueSteps } from '../torque/sequence';
import { isRefused } from '../result';

/** The figures that the sums begin with, where somebody works on an engine. */
export type BenchFigures = {
  /** The setting of a gap, and the gap that was read, µm. */
  spec?: Spec | undefined;
  measured?: number | undefined;
  screw?: Screw | undefined;
  /** The shim that is in, µm. */
  shim?: number | undefined;
  /** At the nut, N·m. */
  torque?: number | undefined;
  /** How far the crank is to turn. */
  degrees?: number | undefined;
  tool?: EngineSheet['barring'];
  /** What the meter shows, and after how many hours the next check is due. */
  hours?: { now: number; every?: number | undefined } | undefined;
};

/**
 * The figures of a job for the sums: those of the adjuster, the nut and the turn that are asked
 * for, else those of the first gap of its sheet and the first turn of its plan.
 *
 * @example figuresOfJob(begun, foldJob([]), undefined).spec.target // 330
 */
export function figuresOfJob(
  setting: JobSetting,
  state: JobState,
  instruction: Instruction | undefined,
): BenchFigures {
  const { sheet } = setting;
  const id = instruction && 'id' in instruction ? instruction.id : firstGap(sheet);
  const entry = id === undefined ? undefined : entryOf(sheet, id);
  const held = id === undefined ? undefined : state.adjusters[id];
  const reading = held?.left ?? held?.found;
  const isGap = entry && measureOf(entry) === 'lash';
  return {
    ...(isGap && id !== undefined && { spec: specOf(sheet, id) }),
    measured: isGap && reading ? middleOf(reading) : undefined,
    screw: entry?.screw,
    shim: held?.fitted ?? held?.shim,
    torque: torqueAsked(sheet, instruction),
    degrees: turnAsked(setting, state, instruction),
    tool: sheet.barring,
    hours: state.hours && { now: state.hours.hours, every: sheet.service?.everyHours },
  };
}

function firstGap(sheet: EngineSheet): string | undefined {
  return adjustersOf(sheet).find(({ entry }) => measureOf(entry) === 'lash')?.id;
}

function torqueAsked(sheet: EngineSheet, instruction: Instruction | undefined): number | undefined {
  if (instruction?.do === 'adjust' || instruction?.do === 'lock') return instruction.torque;
  if (instruction?.do !== 'torque') return firstLocknut(sheet);
  const sequence = sheet.torques?.find(({ id }) => id === instruction.sequence);
  const step =
    sequence &&
    torqueSteps(sequence).find(
      ({ stage, fastener }) => stage === instruction.stage && fastener === instruction.fastener,
    );
  return step && 'torque' in step ? step.torque : undefined;
}

const firstLocknut = (sheet: EngineSheet) =>
  sheet.adjusters.find(({ locknut }) => locknut?.torque)?.locknut?.torque;

function turnAsked(
  setting: JobSetting,
  state: JobState,
  instruction: Instruction | undefined,
): number | undefined {
  if (instruction?.do === 'bar') return instruction.turned.degrees ?? undefined;
  const plan = jobPlan(setting, state);
  return isRefused(plan) ? undefined : plan.stops.find(({ turn }) => turn > 0)?.turn;
}
