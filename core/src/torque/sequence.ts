import { itemAt } from '../itemAt';
import * as v from 'valibot';
import { LARGEST_TORQUE, listUpTo, numberFrom, positive, wordsUpTo } from '../bounds';

const place = numberFrom(-1e6, 1e6, 'A place is x and y on the head, in any unit.');

/** A stage: a share of the final torque, a torque of its own, or an angle onwards. */
const StageSchema = v.union(
  [
    v.looseObject({ percent: positive(1000, 'A share is in percent of the torque.') }),
    v.looseObject({ torque: positive(LARGEST_TORQUE, 'A torque is in N·m.') }),
    v.looseObject({ angle: positive(3600, 'An angle is in degrees.') }),
  ],
  'A stage is a percent, a torque in N·m or an angle in degrees.',
);

/** Fasteners that are run down in a numbered sequence, in stages. */
export const TorqueSchema = v.looseObject({
  id: wordsUpTo(200, 'A sequence has an id.'),
  name: wordsUpTo(200, 'Say what is run down.'),
  /** Before any lash is read, or while closing up. */
  when: v.picklist(['first', 'close'], 'Say when: first, or close.'),
  /** The final torque, N·m. */
  torque: positive(LARGEST_TORQUE, 'The torque is in N·m.'),
  /** Where each lies, seen from above, in the order in which they are run down. */
  fasteners: v.pipe(
    listUpTo(v.looseObject({ x: place, y: place }), 300, 'List the fasteners in their order.'),
    v.nonEmpty('List the fasteners in their order.'),
  ),
  stages: v.pipe(
    listUpTo(StageSchema, 12, 'List the stages.'),
    v.nonEmpty('There is at least one stage.'),
  ),
});
export type TorqueSequence = v.InferOutput<typeof TorqueSchema>;
export type TorqueStage = v.InferOutput<typeof StageSchema>;
type Place = { x: number; y: number };

/** One fastener at one stage: set the wrench to `torque` N·m, or turn it on by `angle`°. */
export type TorqueStep = {
  stage: number;
  /** Its place in the sequence, from 0. */
  fastener: number;
} & ({ torque: number } | { angle: number });

/** Every step in order: all fasteners of a stage, then the next stage. */
export function torqueSteps({ fasteners, stages, torque }: TorqueSequence): TorqueStep[] {
  return stages.flatMap((stage, i) =>
    fasteners.map((_, fastener): TorqueStep => {
      if ('angle' in stage) return { stage: i, fastener, angle: Number(stage.angle) };
      const share =
        'percent' in stage ? (torque * Number(stage.percent)) / 100 : Number(stage.torque);
      return { stage: i, fastener, torque: share };
    }),
  );
}

/**
 * An order from the middle outwards, as heads are run down: by distance from the centre, and
 * round by angle where they lie equally far. The manual's order is typed over it.
 *
 * @example spiralOrder([{ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 2, y: 0 }]) // [1, 2, 0]
 */
export function spiralOrder(places: readonly Place[]): number[] {
  if (places.length === 0) return [];
  const mean = (of: (place: Place) => number) =>
    places.reduce((sum, place) => sum + of(place), 0) / places.length;
  const [x, y] = [mean((place) => place.x), mean((place) => place.y)];
  const key = (place: Place) => ({
    far: Math.hypot(place.x - x, place.y - y),
    round: Math.atan2(place.y - y, place.x - x),
  });
  const keys = places.map(key);
  return places
    .map((_, i) => i)
    .sort((a, b) => {
      const [one, other] = [itemAt(keys, a), itemAt(keys, b)];
      const nearer = one.far - other.far;
      return Math.abs(nearer) > 1e-9 ? nearer : one.round - other.round;
    });
}
