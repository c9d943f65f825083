import type { JobEvent } from '@longbar/core';
import { createContext, useContext } from 'react';
import type { Told } from '../../ui/useAfterPaint';

/** What practice is left by. */
type Practice = { leave: () => void };

const Practising = createContext<Practice | null>(null);

/** What is below works at a made-up engine: nothing of it is sent, kept or asked of a server. */
export const PractisingProvider = Practising.Provider;

/** How practice is left, where this is practice and no true job; null in one. */
export function usePractising(): Practice | null {
  return useContext(Practising);
}

const Journal = createContext<Told<readonly JobEvent[]> | null>(null);

/** The journal of the practised job that is drawn below. */
export const PractisedJournal = Journal.Provider;

/**
 * The journal of a practised job with the last tap in it, before the screen has followed; null in
 * a true job, whose journal the phone keeps.
 */
export function usePractisedJournal(): Told<readonly JobEvent[]> | null {
  return useContext(Journal);
}
