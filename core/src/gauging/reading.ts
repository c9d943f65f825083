import * as v from 'valibot';

const micrometres = v.pipe(
  v.number('A length is a whole number of µm.'),
  v.integer('A length is a whole number of µm.'),
  v.minValue(0, 'A length is not negative.'),
  v.maxValue(100_000, 'A length is at most 100 000 µm.'),
);

/**
 * What was felt, in whole µm: the largest that entered (0 when nothing did) and the smallest
 * that did not (null when the largest entered). An honest reading is an interval.
 */
export const ReadingSchema = v.pipe(
  v.object({
    go: micrometres,
    noGo: v.nullable(micrometres),
    /** How it was taken: blade by blade, or the drag on one blade. */
    how: v.picklist(['go-no-go', 'drag'], 'A reading is taken by go-no-go or drag.'),
  }),
  v.check(
    ({ go, noGo }) => noGo === null || go <= noGo,
    'The blade that enters is thinner than the one that does not.',
  ),
);

/** One blade or stack tried, its size in µm. */
export const TrialSchema = v.object({ size: micrometres, enters: v.boolean('Say if it enters.') });

export type Trial = v.InferOutput<typeof TrialSchema>;
export type Reading = v.InferOutput<typeof ReadingSchema>;

/** The middle of a reading, µm; a plain figure is its own; undefined where it is open-ended. */
export function middleOf(gap: number | Pick<Reading, 'go' | 'noGo'>): number | undefined {
  if (typeof gap === 'number') return gap;
  return gap.noGo === null ? undefined : (gap.go + gap.noGo) / 2;
}
