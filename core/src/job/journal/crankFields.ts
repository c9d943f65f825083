import * as v from 'valibot';
import { textUpTo } from '../../bounds';
import { adjuster, angle, count, UuidSchema } from './fields';

/** How the crank came to be turned. */
export const TURNS = ['barred', 'overshot', 'pressed', 'unknown'] as const;

/** Why an engine goes back to work in the middle of its job. */
export const RETURNS = ['hot-run', 'bump', 'moved'] as const;

/** The last event of the crank that the phone knew; null where it knew of none. */
export const after = v.optional(v.nullable(UuidSchema));

const watch = v.union(
  [
    v.object({ cylinder: count, state: v.picklist(['rocking']) }),
    v.object({ id: adjuster, valve: count, state: v.picklist(['down', 'peak']) }),
  ],
  'A stop is told by a cylinder that rocks or a valve that is down.',
);

/** Where the crank stands, and what tells so. */
export const place = { at: angle, mark: v.optional(textUpTo(200)), watch: v.optional(watch) };
