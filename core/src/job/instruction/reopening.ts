import type { EngineSheet, Isolation } from '../../engine/sheet';
import { isRefused } from '../../result';
import { isClosing } from '../journal/closing';
import type { JobSetting } from '../journal/setting';
import type { JobState } from '../journal/state';
import { wantedOf } from './atWork';
import { isolationsOf, openChartPlaces, openIsolations, unservedOf } from './gates';
import { jobPlan } from './jobPlan';

/**
 * Whether what is closed already is opened again before anything else: something is asked for at
 * the rockers that was not when closing up began, as by the figures of another data tag. Without
 * it adjusters would be asked for below covers that are on, and on an engine that can start.
 */
export function opensAgain(setting: JobSetting, state: JobState): boolean {
  if (!isClosing(state) || state.signed || state.abandoned) return false;
  const plan = jobPlan(setting, state);
  if (isRefused(plan)) return false;
  const { step, ids } = wantedOf(setting, state, plan);
  // Where the plan of the journal was dropped since, by another method, what it would be again.
  const served = state.plan ?? { stops: plan.stops.map(({ set }) => ({ set: set.map(idOf) })) };
  const asked = [...ids, ...unservedOf(setting.sheet, state, served)];
  return step === 'shims' || asked.length > 0 || openChartPlaces(state).length > 0;
}

/**
 * The isolations that are still to be done: those that nobody did, and where it is opened `again`
 * those that came off.
 */
export function isolationsToDo(sheet: EngineSheet, state: JobState, again: boolean): Isolation[] {
  const open = new Set(openIsolations(sheet, state).map(({ id }) => id));
  return isolationsOf(sheet).filter(({ id }) => open.has(id) || (again && state.undone[id]));
}

const idOf = ({ id }: { id: string }) => id;
