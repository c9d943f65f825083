import type { Issue } from './issue';

/** Why something that was asked for cannot be had: for programs, beside the sentence for people. */
export type RefusalCode =
  /** Nothing is typed yet, or nothing of what is asked for. */
  | 'empty'
  /** What is typed or sent is no figure, order or size of the kind. */
  | 'unreadable'
  /** A unit that does not measure this. */
  | 'wrong-unit'
  /** A figure that this cannot be; `meant` is what was probably meant. */
  | 'implausible'
  /** A document, a form or an archive with mistakes; `issues` names each field. */
  | 'malformed'
  /** There is no such method. */
  | 'unknown-method'
  /** A four-stroke's overlap or second turn is asked for of a two-stroke. */
  | 'two-stroke'
  /** A cylinder, mark, adjuster or place that this engine has not. */
  | 'not-on-engine'
  /** The cylinder has no running mate 360° away. */
  | 'no-mate'
  /** On this engine no valve rocks at overlap. */
  | 'no-overlap'
  /** The sheet holds no chart from the manual. */
  | 'no-chart'
  /** The sheet gives no lobe, peak, window or place, so where it is set cannot be known. */
  | 'not-on-sheet'
  /** The adjuster's train is sprung: it tells nothing of where the crank is. */
  | 'sprung-train'
  /** Nothing that is left to see or feel tells where the crank is. */
  | 'no-sight'
  /** No stop of the plan leads to what is left to do. */
  | 'no-way'
  /** No method serves every adjuster of the engine. */
  | 'no-method'
  /** Wrench and adapter cannot turn the nut. */
  | 'no-reach'
  /** The server could not be reached, or answered with an error. */
  | 'no-answer';

/** That something cannot be had, and why. */
export type Refused = { refused: RefusalCode; says: string };

/**
 * What a function gives that may refuse: the answer itself, or why there is none. It is told
 * apart by `isRefused`; a function throws only where its caller was wrong.
 */
export type Result<Answer extends object> = Answer | Refused;

/**
 * Whether an answer is a refusal.
 *
 * @param answer - what a function gave that may refuse
 * @returns whether there is only a reason: a code and a sentence for people
 * @example isRefused(planBarring(six, { method: 'each' })) // false
 */
export function isRefused<Answer extends object>(
  answer: Answer,
): answer is Extract<Answer, Refused> {
  return 'refused' in answer;
}

/** A refusal of what came in with mistakes: each by its field. */
export type Malformed<Mistake extends Issue = Issue> = Refused & { issues: Mistake[] };

/**
 * Refuses what came in, for its mistakes.
 *
 * @param issues - what is wrong, at least one, the first to be mended first
 * @returns the refusal, which says the first mistake
 */
export function malformed<Mistake extends Issue>(issues: Mistake[]): Malformed<Mistake> {
  const [first] = issues;
  const says = first ? `${first.path === '' ? '' : `${first.path}: `}${first.message}` : '';
  return { refused: 'malformed', says, issues };
}
