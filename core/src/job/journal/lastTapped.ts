import type { KnownEvent } from './events';
import type { JobState } from './state';

/** What phones write down by themselves: it is no act of anybody. */
const BY_ITSELF: ReadonlySet<KnownEvent['type']> = new Set([
  'plan.made',
  'rules.kept',
  'work.paused',
]);

/** The last thing that anybody did: what the phone wrote by itself is no act. */
export function lastDone({ standing }: JobState): KnownEvent | undefined {
  return standing.findLast(({ type }) => !BY_ITSELF.has(type));
}

/**
 * What this person wrote down by their last tap, the last first, unless the job is signed: what the
 * phone wrote by itself is not taken back by a tap, nor what somebody else did meanwhile, nor a plan of
 * shims of which somebody has fitted some. What one tap says has one instant.
 *
 * @example lastTapped(foldJob([]), 'Ina') // []
 */
export function lastTapped({ standing, signed }: JobState, by: string): KnownEvent[] {
  const tapped: KnownEvent[] = [];
  if (signed) return tapped;
  let fitted = false;
  for (const event of standing.backwards()) {
    fitted ||= event.type === 'shim.fitted';
    if (event.by !== by || BY_ITSELF.has(event.type)) continue;
    if (tapped[0] && tapped[0].at !== event.at) break;
    if (event.type === 'shims.planned' && fitted) return [];
    tapped.push(event);
  }
  return tapped;
}
