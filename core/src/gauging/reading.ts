import * as v from 'valibot';

const micrometres = v.pipe(
  v.number('A length is a whole number of µm.'),
  v.integer('A length is a whole number of µm.'),
  v.minValue(0, 'A length is not negative.'),
  v.maxValue(100_000, 'A length is at most 100 000 µm.'),
);

const READING_WAYS = ['go-no-go', 'drag', 'gauge', 'wrench'] as const;

/**
 * What was felt, in whole µm (mN·m for a preload): the largest that entered (0 when nothing did) and the smallest
 * that did not (null when the largest entered). An honest reading is an interval.
 */
export const ReadingSchema = v.pipe(
  v.object({
    go: micrometres,
    noGo: v.nullable(micrometres),
    /** How it was taken: blade by blade, the drag on one blade, a gauge or a torque wrench. */
    how: v.picklist(READING_WAYS, `A reading is taken by ${READING_WAYS.join(', ')}.`),
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

/** Where not even so thin a blade entered, half of it is as good as a reading between two blades, µm. */
const THIN = 100;

/**
 * The middle of a reading, µm; a plain figure is its own; undefined where it is open-ended: nothing
 * was refused yet, or nothing entered and only what is thicker than 0.10 mm was tried.
 *
 * @example middleOf({ go: 300, noGo: 330 }) // 315
 */
export function middleOf(gap: number | Pick<Reading, 'go' | 'noGo'>): number | undefined {
  if (typeof gap === 'number') return gap;
  const { go, noGo } = gap;
  return noGo === null || (go === 0 && noGo > THIN) ? undefined : (go + noGo) / 2;
}

/** The last place that is read on a gauge in mm (0.01) or a wrench in N·m (0.01). */
const LAST_PLACE = 10;

/**
 * A figure read off a gauge in µm, or off a wrench in mN·m: good to its last place, which is coarser
 * on an inch gauge.
 *
 * @example readingFromFigure(63_500, 'gauge') // { go: 63495, noGo: 63505, how: 'gauge' }
 */
export function readingFromFigure(
  figure: number,
  how: 'gauge' | 'wrench',
  lastPlace = LAST_PLACE,
): Reading {
  const [read, half] = [Math.round(figure), Math.round(lastPlace / 2)];
  return { go: Math.max(0, read - half), noGo: read + half, how };
}
