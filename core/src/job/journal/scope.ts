import * as v from 'valibot';
import type { AdjusterKind } from '../../engine/kinds';
import { KIND_NAMES, readId } from '../../engine/kinds';
import type { EngineSheet } from '../../engine/sheet';

/** What of the engine a job is about, where somebody said so. */
export const scopeFields = {
  /** Only these kinds. */
  kinds: v.optional(
    v.pipe(
      v.array(v.picklist(KIND_NAMES, `A kind is one of ${KIND_NAMES.join(', ')}.`)),
      v.maxLength(20, 'Name each kind once.'),
      v.minLength(1, 'Name at least one kind, or none for all of them.'),
    ),
  ),
  /** Everything is read and nothing is set. */
  checkOnly: v.optional(v.boolean('It is only checked, or it is set too.')),
};

/** What of the engine a job is about: all that its sheet sets, unless somebody said otherwise. */
export type JobScope = {
  kinds?: AdjusterKind[] | undefined;
  checkOnly?: boolean | undefined;
};

/** Whether two scopes are one and the same. */
export function isSameScope(one: JobScope = {}, other: JobScope = {}): boolean {
  const kindsOf = ({ kinds }: JobScope) => kinds && [...kinds].sort().join(' ');
  return kindsOf(one) === kindsOf(other) && (one.checkOnly ?? false) === (other.checkOnly ?? false);
}

/**
 * Whether a job is about an adjuster. What it is not about is neither planned nor asked for, unless
 * somebody began to set it before (`isAskedOf`).
 */
export function isInScope({ scope }: { scope?: JobScope | undefined }, id: string): boolean {
  return scope?.kinds === undefined || scope.kinds.includes(readId(id).kind);
}

/** The kinds of a sheet that a job is not about: they stay due. */
export function leftOutKinds(
  { adjusters }: Pick<EngineSheet, 'adjusters'>,
  scope: JobScope | undefined,
): AdjusterKind[] {
  const own = KIND_NAMES.filter((kind) => adjusters.some((entry) => entry.kind === kind));
  return scope?.kinds ? own.filter((kind) => !scope.kinds?.includes(kind)) : [];
}
