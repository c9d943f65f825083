import type { Spec } from '../engine/sheet';

/** Limits and target, and what it is set to where that is not the target. */
export type SettingSpec = Spec & { aim?: number };

/** What is set: the aim where there is one, else the maker's target. */
export function toSet({ target, aim = target }: SettingSpec): number {
  return aim;
}
