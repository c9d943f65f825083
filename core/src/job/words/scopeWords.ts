import type { AdjusterKind } from '../../engine/kinds';
import type { EngineSheet } from '../../engine/sheet';
import type { JobScope } from '../journal/scope';
import { leftOutKinds } from '../journal/scope';

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

/**
 * What a job after head work is not about, in words, though it came off with the head: the engine is
 * not run before somebody has set it. None where the job is about all, or there was no head work.
 *
 * @example notSetSinceHeadWork(six, foldJob([])) // undefined
 */
export function notSetSinceHeadWork(
  sheet: Pick<EngineSheet, 'adjusters'>,
  { why, scope }: { why?: { reason: string } | undefined; scope?: JobScope | undefined },
): string | undefined {
  const leftOut = leftOutKinds(sheet, scope);
  return why?.reason === 'head-work' && leftOut.length > 0 ? kindsInWords(leftOut) : undefined;
}
