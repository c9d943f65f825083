import { createContext, useContext } from 'react';

/** What practice is left by. */
type Practice = { leave: () => void };

const Practising = createContext<Practice | null>(null);

/** What is below works at a made-up engine: nothing of it is sent, kept or asked of a server. */
export const PractisingProvider = Practising.Provider;

/** How practice is left, where this is practice and no true job; null in one. */
export function usePractising(): Practice | null {
  return useContext(Practising);
}
