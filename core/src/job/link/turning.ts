import * as v from 'valibot';
import { UuidSchema } from '../journal/fields';

/**
 * The link between the one at the rockers and the one who turns. It is a convenience, never a
 * safeguard: voice or hand signals are agreed first, and no answer within two seconds turns
 * both views to 'link lost'.
 */
export const ANSWER_WITHIN_MS = 2000;

const count = v.pipe(v.number(), v.integer(), v.minValue(0));

/** One turn of the crank: how far, which way, to which mark. */
const turn = v.object({
  id: UuidSchema,
  degrees: v.number(),
  sense: v.picklist(['clockwise', 'counterclockwise']),
  seenFrom: v.string(),
  from: v.number(),
  mark: v.optional(v.string()),
});
export type Turn = v.InferOutput<typeof turn>;

/** A beat of one side, several a second: all it knows, so that a lost one costs nothing. */
export const BeatSchema = v.object(
  {
    device: UuidSchema,
    role: v.picklist(['rockers', 'helper'], 'The role is rockers or helper.'),
    /** Its own count of beats, and the last beat of the other side it has heard. */
    beat: count,
    heard: count,
    /** The turn in hand; only the one at the rockers says it. */
    turn: v.nullable(turn),
    /** The turn that fingers are clear for; only the one at the rockers says it. */
    clearFor: v.nullable(UuidSchema),
    /** What this side has said of a turn: stop, or there. */
    said: v.nullable(v.object({ turn: UuidSchema, word: v.picklist(['stop', 'there']) })),
  },
  'A beat has device, role, beat, heard, turn, clearFor and said.',
);
export type Beat = v.InferOutput<typeof BeatSchema>;

/** One side of the link as it stands. */
export type LinkSide = {
  own: Beat;
  /** The last beat heard of the other side. */
  other: Beat | undefined;
  /** When each own beat was sent, ms, by its count; old ones may be left out. */
  sent: ReadonlyMap<number, number>;
};

export type TurningWord = 'waiting' | 'lost' | 'hold' | 'turn' | 'stop' | 'there';

/**
 * What a side shows at `now`, ms. 'turn' is shown only while the link answers, for the very
 * turn that fingers were said to be clear for, and while nobody has said a word against it.
 */
export function turningWord({ own, other, sent }: LinkSide, now: number): TurningWord {
  if (!other) return 'waiting';
  const answered = sent.get(other.heard);
  if (answered === undefined || now - answered > ANSWER_WITHIN_MS) return 'lost';
  const rockers = own.role === 'rockers' ? own : other;
  const { turn, clearFor } = rockers;
  if (!turn) return 'hold';
  const words = [own.said, other.said].flatMap((said) =>
    said?.turn === turn.id ? [said.word] : [],
  );
  if (words.includes('stop')) return 'stop';
  if (words.includes('there')) return 'there';
  return clearFor === turn.id ? 'turn' : 'hold';
}

/**
 * What a side knows once it has heard a beat at `now`, ms: none of its own role, none that came
 * late; and another phone takes the other side only once the one before it is gone.
 */
export function heardBeat<S extends LinkSide>(side: S, beat: Beat, now: number): S {
  if (beat.role === side.own.role) return side;
  const { other } = side;
  const same = other?.device === beat.device;
  if (same && beat.beat <= other.beat) return side;
  if (other && !same && turningWord(side, now) !== 'lost') return side;
  return { ...side, other: beat };
}

/** A link that was lost takes the clear with it: the next turn is asked for anew. */
export function keptSide<S extends LinkSide>(side: S, now: number): S {
  if (side.own.clearFor === null || turningWord(side, now) !== 'lost') return side;
  return { ...side, own: { ...side.own, clearFor: null } };
}
