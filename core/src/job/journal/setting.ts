import type { EngineSheet } from '../../engine/sheet';
import { sheetForTag } from '../../engine/variant';
import type { BladeSet } from '../../gauging/blades';
import type { ShopPolicy } from '../../gauging/judgeReading';
import type { Reading } from '../../gauging/reading';
import type { JobHead } from './jobHead';
import type { JobState } from './state';

/** What is read once more on the round: the first of each stop, what was changed, or all. */
export const ROUND_RULES = ['first', 'changed', 'all'] as const;
export type RoundRule = (typeof ROUND_RULES)[number];

/** What a job is worked with: its head, the sheet it began with, and the shop's rules. */
export type JobSetting = {
  head: JobHead;
  sheet: EngineSheet;
  policy: ShopPolicy;
  round?: RoundRule | undefined;
  /** The blade sets of the shop; a reading names the one it was taken with. */
  bladeSets?: readonly BladeSet[];
  /** What each adjuster was left at last time. */
  left?: Record<string, Reading>;
};

type Kept = {
  head: JobHead;
  sheet: EngineSheet;
  shop: Pick<JobSetting, 'policy' | 'round' | 'bladeSets'>;
  lastLeft?: { readings: Record<string, Reading> } | null;
};

/** The setting of a job; the data tag read on the engine chooses its figures. */
export function settingOf({ head, sheet, shop, lastLeft }: Kept, state: JobState): JobSetting {
  const { policy, round, bladeSets } = shop;
  return {
    head,
    sheet: sheetForTag(sheet, state.tag),
    policy,
    round,
    ...(bladeSets && { bladeSets }),
    ...(lastLeft && { left: lastLeft.readings }),
  };
}
