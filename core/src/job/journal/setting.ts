import type { EngineSheet } from '../../engine/sheet';
import type { AppliedSheet } from '../../engine/variant';
import { sheetForTag, sheetWith, withoutMarks } from '../../engine/variant';
import type { BladeSet } from '../../gauging/blades';
import type { Rates } from '../../gauging/rates';
import type { Reading } from '../../gauging/reading';
import type { JobMeter } from '../../service/jobHours';
import type { JobHead } from './jobHead';
import type { JobRules, JobState } from './state';

/** How each adjuster was left at the check before, and the hours then. */
export type LastLeft = {
  hours: { date: string; hours: number } | null;
  readings: Record<string, Reading>;
  /** What the meter showed where an adjuster was left at an earlier check than the last. */
  earlier?: Record<string, { date: string; hours: number }> | undefined;
} | null;

/**
 * What a job began with: its head, the sheet as published, and the shop's rules, which count
 * until its journal says by which the job is judged.
 */
export type JobBegun = JobRules & {
  head: JobHead;
  sheet: EngineSheet;
  /** The blade sets of the shop; a reading names the one it was taken with. */
  bladeSets?: readonly BladeSet[];
  lastLeft?: LastLeft;
  /** What the hour meter showed before, and its changes. */
  hourMeter?: JobMeter['hourMeter'];
  /** Its hours as they were put right once it was signed. */
  hoursRight?: number | undefined;
  /** The events of its journal that came too late to count, by id. */
  late?: readonly string[] | undefined;
};

/** What a job is worked and judged with: the sheet as it applies to this engine, the rules kept. */
export type JobSetting = Omit<JobBegun, 'sheet'> & { sheet: AppliedSheet };

type Context = {
  head: JobHead;
  sheet: EngineSheet;
  shop: Pick<JobBegun, 'policy' | 'round' | 'bladeSets' | 'aim'>;
  lastLeft?: LastLeft;
  hourMeter?: JobMeter['hourMeter'];
  rates?: Rates | undefined;
  hoursRight?: number | undefined;
  late?: readonly string[] | undefined;
};

/** What a job began with, from what the server tells of it. */
export function begunOf(context: Context): JobBegun {
  const { head, sheet, shop, lastLeft, hourMeter, rates, hoursRight, late } = context;
  const { policy, round, bladeSets, aim } = shop;
  return {
    head,
    sheet,
    policy,
    round,
    ...(bladeSets && { bladeSets }),
    ...(aim && aim !== 'off' && rates && { aim, rates }),
    ...(lastLeft && { lastLeft }),
    ...(hourMeter && { hourMeter }),
    ...(hoursRight !== undefined && { hoursRight }),
    ...(late && late.length > 0 && { late }),
  };
}

/** A sheet by the figures of the data tag that was read in a job. */
export function sheetByTag(
  sheet: EngineSheet,
  { tag, tagFigures }: Pick<JobState, 'tag' | 'tagFigures'>,
): AppliedSheet {
  return tagFigures ? sheetWith(sheet, tagFigures) : sheetForTag(sheet, tag);
}

/**
 * The setting of a job: figures by the data tag that was read, rules by its own journal, and no
 * marks where they were found not to be where the sheet has them.
 */
export function settingOf(
  begun: JobBegun,
  state: Pick<JobState, 'tag' | 'tagFigures' | 'rules' | 'marksDoubted'>,
): JobSetting {
  const { rules } = state;
  const tagged = sheetByTag(begun.sheet, state);
  const sheet = state.marksDoubted ? withoutMarks(tagged) : tagged;
  // Rules that were kept without an aim have none, whatever the shop aims at today.
  const kept = rules && { aim: undefined, rates: undefined, ...rules };
  return { ...begun, ...kept, sheet };
}
