import * as v from 'valibot';
import { LISTENED_BANDS, PROFILE_POINTS } from './bands';

/** Why a clip tells nothing. */
export const UNHEARD = ['short', 'clipped', 'beat', 'unsteady', 'few'] as const;
export type Unheard = (typeof UNHEARD)[number];

/** How many things tick that not every cylinder does. */
const HOW_MANY = ['none', 'one', 'several', 'unsure'] as const;
export type HowMany = (typeof HOW_MANY)[number];

const decibels = v.pipe(
  v.number('A loudness is in dB.'),
  v.minValue(-200, 'A loudness is at least -200 dB.'),
  v.maxValue(200, 'A loudness is at most 200 dB.'),
);
const profile = v.pipe(
  v.array(decibels),
  v.length(PROFILE_POINTS, `A profile has ${PROFILE_POINTS} points.`),
);

/** What a clip told, as the journal keeps it. */
export const HeardSchema = v.variant('told', [
  v.object({
    told: v.literal(true),
    /** Turns of the crank in a cycle. */
    turns: v.picklist([1, 2], 'A cycle has one turn or two.'),
    /** Engine speed, 1/min. */
    speed: v.pipe(v.number('A speed is in 1/min.'), v.minValue(1), v.maxValue(10_000)),
    ticks: v.picklist(HOW_MANY, `It is ${HOW_MANY.join(', ')}.`),
    /** How far the loudest tick stands above what is usual at its place, dB; 0 of none. */
    over: decibels,
    /** How much of the sound above the beat of the firing ticks at cam speed, 0 to 1. */
    share: v.pipe(v.number('A share is from 0 to 1.'), v.minValue(0), v.maxValue(1)),
    /** How loud it usually is from one firing to the next, band by band, dB. */
    usual: v.pipe(
      v.array(profile),
      v.length(LISTENED_BANDS.length, `There are ${LISTENED_BANDS.length} bands.`),
    ),
  }),
  v.object({
    told: v.literal(false),
    why: v.picklist(UNHEARD, `Give the reason: ${UNHEARD.join(', ')}.`),
    speed: v.optional(v.pipe(v.number('A speed is in 1/min.'), v.minValue(1), v.maxValue(10_000))),
  }),
]);
export type Heard = v.InferOutput<typeof HeardSchema>;
export type HeardWell = Extract<Heard, { told: true }>;
