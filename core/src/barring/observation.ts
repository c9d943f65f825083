import * as v from 'valibot';

/** What a person sees or feels at the engine. */
export const ObservationSchema = v.union(
  [
    v.object({
      id: v.pipe(v.string(), v.regex(/^(intake|exhaust)\.\d+(\.\d+)?$/)),
      state: v.picklist(['loose', 'firm', 'down']),
    }),
    v.object({ cylinder: v.pipe(v.number(), v.integer()), state: v.literal('rocking') }),
    v.object({ mark: v.string(), state: v.literal('at') }),
  ],
  'Say what a rocker does (loose, firm, down), which cylinder rocks, or which mark is seen.',
);
export type Observation = v.InferOutput<typeof ObservationSchema>;

/**
 * The observations after one more. It takes the place of an earlier one that it replaces (of
 * the same rocker, of which cylinder rocks, of which mark is seen); `back` takes it back.
 */
export function observe(
  observations: readonly Observation[],
  observation: Observation,
  back = false,
): Observation[] {
  const others = observations.filter((each) => !concernsSame(each, observation));
  return back ? others : [...others, observation];
}

function concernsSame(a: Observation, b: Observation): boolean {
  if ('id' in a && 'id' in b) return a.id === b.id;
  if ('cylinder' in a && 'cylinder' in b) return true;
  return 'mark' in a && 'mark' in b;
}
