import * as v from 'valibot';
import { degrees, textUpTo, wholeFrom } from '../../bounds';
import type { Instruction } from '../instruction/instruction';
import { UuidSchema } from '../journal/fields';

/**
 * The link between the one at the rockers and the one who turns. It is a convenience, never a
 * safeguard: voice or hand signals are agreed first, and no answer within two seconds turns
 * both views to 'link lost'.
 */
export const ANSWER_WITHIN_MS = 2000;

/** Beats of one side, several a second: months of them. */
const count = wholeFrom(0, 100_000_000, 'Beats are counted from 0.');
const turned = v.nullable(degrees('A turn is in degrees.'));

/** One turn of the crank: how far (null where nobody knows yet), which way, to which mark. */
const turn = v.object({
  id: UuidSchema,
  degrees: turned,
  sense: v.picklist(['clockwise', 'counterclockwise']),
  seenFrom: textUpTo(200),
  from: turned,
  mark: v.optional(textUpTo(200)),
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
    /** The last beat of this side: it left the link, and is not lost. */
    leaves: v.optional(v.boolean()),
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
 * turn that fingers were said to be clear for, and while nobody has said a word against it. A
 * side that left, or that is silent while no turn is in hand, is waited for: 'lost' is rung only
 * where somebody may be turning.
 */
export function turningWord({ own, other, sent }: LinkSide, now: number): TurningWord {
  if (!other) return 'waiting';
  if (other.leaves) return 'waiting';
  const rockers = own.role === 'rockers' ? own : other;
  const { turn, clearFor } = rockers;
  const answered = sent.get(other.heard);
  const silent = answered === undefined || now - answered > ANSWER_WITHIN_MS;
  if (silent) return turn ? 'lost' : 'waiting';
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
  if (other && !same && !isGone(side, now)) return side;
  return { ...side, other: beat };
}

/** Whether nobody answers on the other side. */
function isGone(side: LinkSide, now: number): boolean {
  return ['lost', 'waiting'].includes(turningWord(side, now));
}

/** A link that was lost or left takes the clear with it: the next turn is asked for anew. */
export function keptSide<S extends LinkSide>(side: S, now: number): S {
  if (side.own.clearFor === null || !isGone(side, now)) return side;
  return { ...side, own: { ...side.own, clearFor: null } };
}

/**
 * The turn that an instruction asks for, as the one who turns is told it; null where none is
 * asked or nobody has said which way the engine turns. `from` is where the crank stands.
 */
export function turnAsked(
  instruction: Instruction | undefined,
  from: number | undefined,
): Omit<Turn, 'id'> | null {
  if (instruction?.do !== 'bar' || !instruction.rotation) return null;
  const { turned, rotation, sight } = instruction;
  const mark = sight && typeof sight === 'object' && 'mark' in sight ? sight.mark : undefined;
  return {
    degrees: turned.degrees === null ? null : Math.round(turned.degrees),
    sense: rotation.sense,
    seenFrom: rotation.seenFrom,
    from: from ?? null,
    ...(mark !== undefined && { mark }),
  };
}
