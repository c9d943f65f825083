import type { AdjusterKind } from '../../engine/kinds';
import type { JobScope } from '../journal/scope';

const PLURAL: Record<AdjusterKind, string> = {
  bridge: 'bridges',
  injector: 'injectors',
  intake: 'intake valves',
  exhaust: 'exhaust valves',
  brake: 'engine brakes',
};

/**
 * Kinds of adjusters as a sentence lists them.
 *
 * @example kindsInWords(['intake', 'exhaust', 'injector']) // 'intake valves, exhaust valves and injectors'
 */
export function kindsInWords(kinds: readonly AdjusterKind[]): string {
  return new Intl.ListFormat('en-GB').format(kinds.map((kind) => PLURAL[kind]));
}

/** Whether a job is about all that its sheet sets. */
export function isWhole({ kinds, checkOnly }: JobScope = {}): boolean {
  return !kinds && !checkOnly;
}

/**
 * What a job is about, in words.
 *
 * @example scopeWords({ kinds: ['injector'], checkOnly: true }) // 'Only the injectors, read and not set'
 */
export function scopeWords({ kinds, checkOnly }: JobScope = {}): string {
  if (!kinds) return checkOnly ? 'Everything, read and not set' : 'All that the sheet sets';
  return `Only the ${kindsInWords(kinds)}${checkOnly ? ', read and not set' : ''}`;
}
