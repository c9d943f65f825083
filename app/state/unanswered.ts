import type { FetchBaseQueryError } from '@reduxjs/toolkit/query/react';

/** The tag of every question that nobody answered: by it they are asked again together. */
export const UNANSWERED = 'unanswered';

/** Nobody answered, or the server failed itself: its disk is full, or it is damaged. */
export function isUnanswered({ status }: Pick<FetchBaseQueryError, 'status'>): boolean {
  return typeof status === 'number' ? status >= 500 : status !== 'CUSTOM_ERROR';
}

/** Whether an error is of a question to the server, as the store tells it. */
export function isNoAnswer(error: unknown): boolean {
  return isOfAsking(error) && isUnanswered(error);
}

function isOfAsking(error: unknown): error is FetchBaseQueryError {
  return typeof error === 'object' && error !== null && 'status' in error;
}

/**
 * What an answer tells of. Where there is none, it is asked again by itself: nobody is left before
 * an empty screen because a server was slow once.
 *
 * @example tellsOf('shop')(undefined, { status: 'TIMEOUT_ERROR', error: '' }) // ['shop', 'unanswered']
 */
export function tellsOf<T extends string>(...tags: T[]) {
  return (_answer: unknown, error: unknown): (T | typeof UNANSWERED)[] =>
    isNoAnswer(error) ? [...tags, UNANSWERED] : tags;
}
