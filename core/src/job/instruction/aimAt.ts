import { entryOf } from '../../engine/adjusterEntry';
import type { AdjusterEntry } from '../../engine/sheet';
import type { Aim } from '../../gauging/aim';
import { aimFor } from '../../gauging/aim';
import { stackSizes } from '../../gauging/blades';
import { measureOf } from '../../gauging/measure';
import type { SettingSpec } from '../../gauging/toSet';
import type { JobSetting } from '../journal/setting';
import type { AdjusterState, JobState } from '../journal/state';

/** An aim at one adjuster, the rate it rests on, and whether it is set by that. */
export type AimAt = Aim & { rate: number; inForce: boolean };

/**
 * Where an adjuster is to be set so that it stays inside longest, by the shop's rule and the rates
 * that the job began with; undefined where the maker's target is as good. Blades, one or two
 * together, are those of the set it was read with. A shim is planned so far from the limits that
 * its reading cannot say outside.
 */
export function aimAt(setting: JobSetting, state: JobState, id: string): AimAt | undefined {
  const { aim = 'off', rates, sheet } = setting;
  // After work on the head nobody knows how it drifts from here.
  const rate = state.why?.reason === 'head-work' ? undefined : rates?.[id];
  const entry = entryOf(sheet, id);
  const own = state.adjusters[id] ?? {};
  if (aim === 'off' || !rate || !entry?.spec || measureOf(entry) !== 'lash') return undefined;
  const reached = reachable({ ...entry, spec: entry.spec }, setting, own);
  if (!reached) return undefined;
  const best = aimFor({ ...reached, rate }, sheet.service?.everyHours ?? Infinity);
  if (best.setting === entry.spec.target) return undefined;
  const inForce = own.aim === undefined ? aim === 'on' : own.aim === 'aim';
  return { ...best, rate: rate.rate, inForce };
}

type Lash = AdjusterEntry & { spec: SettingSpec };

/** What can be set: one of the blades, or any gap by shims that is clear of the limits. */
function reachable(
  { method, spec }: Lash,
  { bladeSets = [] }: JobSetting,
  { found }: AdjusterState,
): { spec: SettingSpec; steps?: readonly number[] } | undefined {
  if (method === 'shim') {
    if (!found || found.noGo === null) return undefined;
    const clear = found.noGo - found.go;
    const [low, high] = [spec.low + clear, spec.high - clear];
    return low <= spec.target && spec.target <= high ? { spec: { ...spec, low, high } } : undefined;
  }
  const set = bladeSets.find(({ name }) => name === found?.bladeSet) ?? bladeSets[0];
  return set && { spec, steps: stackSizes(set) };
}

/** The sheet's entry behind an adjuster's id, with what it is set to where that is an aim. */
export function entryAtWork(
  setting: JobSetting,
  state: JobState,
  id: string,
): (AdjusterEntry & { spec?: SettingSpec | undefined }) | undefined {
  const entry = entryOf(setting.sheet, id);
  const aim = aimAt(setting, state, id);
  if (!entry?.spec || !aim?.inForce) return entry;
  return { ...entry, spec: { ...entry.spec, aim: aim.setting } };
}
