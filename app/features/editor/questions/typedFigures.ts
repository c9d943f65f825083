import type { Spec } from '@longbar/core';

/** The ways manuals print limits: three figures, one with a tolerance, or a range. */
export const FIGURES_AS = [
  { how: 'three', title: 'three figures' },
  { how: 'tolerance', title: 'target ±' },
  { how: 'range', title: 'a range' },
] as const;
export type FiguresAs = (typeof FIGURES_AS)[number]['how'];

/** What stands in the fields, µm or mN·m; undefined where nothing is typed. */
export type TypedFigures = Partial<Record<keyof Spec | 'within', number | undefined>>;

type FigureField = {
  key: keyof TypedFigures;
  label: string;
  /** The limits whose mistakes are said here. */
  mends: readonly (keyof Spec)[];
};

export const FIELDS_AS: Record<FiguresAs, readonly FigureField[]> = {
  three: [
    { key: 'low', label: 'Least', mends: ['low'] },
    { key: 'target', label: 'Target', mends: ['target'] },
    { key: 'high', label: 'Most', mends: ['high'] },
  ],
  tolerance: [
    { key: 'target', label: 'Target', mends: ['target'] },
    { key: 'within', label: 'Plus or minus', mends: ['low', 'high'] },
  ],
  range: [
    { key: 'low', label: 'From', mends: ['low', 'target'] },
    { key: 'high', label: 'To', mends: ['high'] },
  ],
};

/** What stands in the fields for limits that are known. */
export function shownAs(how: FiguresAs, spec: Partial<Spec> | undefined): TypedFigures {
  const { low, target, high } = spec ?? {};
  if (how !== 'tolerance') return { low, target, high };
  const within = low === undefined || high === undefined ? undefined : (high - low) / 2;
  return { target, within };
}

/**
 * The limits that the fields make; undefined where nothing is typed. A range has its target in
 * the middle, unless one was given before that lies inside.
 */
export function specFrom(
  how: FiguresAs,
  typed: TypedFigures,
  before: Partial<Spec> | undefined,
): Partial<Spec> | undefined {
  const made = how === 'three' ? pick(typed) : how === 'tolerance' ? around(typed) : between();
  return Object.keys(made).length > 0 ? made : undefined;

  function between(): Partial<Spec> {
    const { low, high } = typed;
    if (low === undefined || high === undefined) return pick({ low, high });
    const given = before?.target;
    const stays = how === 'range' && given !== undefined && given > low && given < high;
    return { low, target: stays ? given : Math.round((low + high) / 2), high };
  }
}

function around({ target, within }: TypedFigures): Partial<Spec> {
  if (target === undefined || within === undefined) return pick({ target });
  return { low: target - within, target, high: target + within };
}

function pick({ low, target, high }: TypedFigures): Partial<Spec> {
  return {
    ...(low !== undefined && { low }),
    ...(target !== undefined && { target }),
    ...(high !== undefined && { high }),
  };
}
