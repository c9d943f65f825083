import * as v from 'valibot';
import { instantFrom, wholeFrom, wordsUpTo } from '../bounds';
import { UuidSchema } from '../job/journal/fields';
import { EXERCISES, LEVELS } from '../practice/exercise';

const what = {
  exercise: v.picklist(EXERCISES, `An exercise is one of ${EXERCISES.join(', ')}.`),
  level: v.picklist(LEVELS, `A level is one of ${LEVELS.join(', ')}.`),
};
const points = wholeFrom(0, 100, 'A score is a whole number from 0 to 100.');

/** One round that somebody practised: no part of any record. */
export const PracticeRoundSchema = v.object({
  id: UuidSchema,
  who: wordsUpTo(80, 'A round has the name of who practised.'),
  ...what,
  score: points,
  at: instantFrom(1990, 2100),
});
export type PracticeRound = v.InferOutput<typeof PracticeRoundSchema>;

/** How people did, by exercise and level: one’s own, and for a foreman everybody’s. */
export const PracticeSchema = v.array(
  v.object({ who: v.string(), ...what, best: points, rounds: v.number(), last: v.string() }),
);
export type PracticeLine = v.InferOutput<typeof PracticeSchema>[number];
