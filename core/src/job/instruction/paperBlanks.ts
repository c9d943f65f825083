import type { AdjusterEntry } from '../../engine/sheet';
import type { JobPolicy } from '../../gauging/policy';
import { formatTorqueAlone } from '../../torque/units';
import { isHalfDone } from '../journal/begun';
import type { AdjusterState } from '../journal/state';

/** What is written by hand beside an adjuster. */
export type PaperBlank = 'found' | 'shim' | 'left' | 'locked' | 'done';

/**
 * What the paper leaves blank for an adjuster. What is only checked is read alone; a bucket is
 * measured with the shim that is in it, for which shim goes where is worked out over all of them, and
 * read once another is in; what has no figure, as a bridge, is done or not. What somebody began to set
 * is set and read, whatever the job is about since: how it was found is known, or is known no more.
 *
 * @example paperBlanks({ method: 'shim', spec: { low: 200, target: 250, high: 300 } }, 'leave-inside') // ['found', 'shim']
 */
export function paperBlanks(
  { spec, method }: Pick<AdjusterEntry, 'spec' | 'method'>,
  policy: JobPolicy,
  state: AdjusterState = {},
): PaperBlank[] {
  const { fitted, locked } = state;
  const isTouched = locked !== undefined || isHalfDone(state);
  if (isTouched && method !== 'shim') return spec ? ['left', 'locked'] : ['done'];
  if (policy === 'check-only') return spec ? ['found'] : [];
  if (!spec) return ['done'];
  if (method !== 'shim') return ['found', 'left', 'locked'];
  return typeof fitted === 'number' ? ['left'] : ['found', 'shim'];
}

/**
 * The word before a blank; where it is locked, to what torque.
 *
 * @example paperWord('locked', { locknut: { torque: 46 } }) // 'locked at 46 N·m'
 */
export function paperWord(blank: PaperBlank, { locknut }: Pick<AdjusterEntry, 'locknut'>): string {
  if (blank === 'shim') return 'shim in it';
  const torque = blank === 'locked' || blank === 'done' ? locknut?.torque : undefined;
  if (torque === undefined) return blank;
  const locked = `locked at ${formatTorqueAlone(torque)}`;
  return blank === 'done' ? `done, ${locked}` : locked;
}
