import type { Stop } from '../../barring/barringPlan';
import { specOf } from '../../engine/adjusterEntry';
import { readId } from '../../engine/kinds';
import { verdictOf } from '../../gauging/judgeReading';
import { isToReadOn } from './adjusterStep';
import type { JobSetting } from '../journal/setting';
import type { JobState } from '../journal/state';

/**
 * What is read once more on the round: by the shop's rule the first of each stop, what was
 * changed besides, or all; what was doubted; and whatever the rule, at least one of each kind.
 */
function roundIds(
  { sheet, round = 'first' }: JobSetting,
  state: JobState,
  stops: readonly Stop[],
): string[] {
  const planned = stops.flatMap(({ set }) => set.map(({ id }) => id));
  const readable = (id: string) => {
    const { unset, painted } = state.adjusters[id] ?? {};
    // What has no figure, a bridge that was levelled, is not read at all.
    return painted === true && !unset && specOf(sheet, id) !== undefined;
  };
  const chosen = new Set<string>();
  for (const { set } of stops) {
    const first = set.find(({ id }) => readable(id))?.id;
    if (first !== undefined) chosen.add(first);
  }
  const all = planned.filter(readable);
  for (const id of all) {
    const { locked, fitted, doubted } = state.adjusters[id] ?? {};
    const changed = locked !== undefined || typeof fitted === 'number';
    const anew = doubted || isToReadOn(sheet, state, id);
    if (round === 'all' || anew || (round === 'changed' && changed)) chosen.add(id);
  }
  const kinds = new Set([...chosen].map((id) => readId(id).kind));
  for (const id of all.sort(changedFirst(state))) {
    const { kind } = readId(id);
    if (kinds.has(kind)) continue;
    kinds.add(kind);
    chosen.add(id);
  }
  return planned.filter((id) => chosen.has(id));
}

/** One that was set tells more than one that was left as found. */
function changedFirst({ adjusters }: JobState): (a: string, b: string) => number {
  const kept = (id: string) => Number(adjusters[id]?.kept === true);
  return (a, b) => kept(a) - kept(b);
}

/**
 * What the round still has to read: chosen for it, and not read since it was last changed. A
 * reading that spans a limit is only begun, unless it was left so; so is one of a bucket outside its
 * limits that is known from one side alone.
 */
export function unreadOf(setting: JobSetting, state: JobState, stops: readonly Stop[]): string[] {
  return roundIds(setting, state, stops).filter((id) => {
    const { again, doubted, againAccepted } = state.adjusters[id] ?? {};
    const spec = specOf(setting.sheet, id);
    if (doubted || !again || !spec || isToReadOn(setting.sheet, state, id)) return true;
    return !againAccepted && verdictOf(spec, again) === 'unsure';
  });
}
