import { clearNoMore } from './locks';
import type { JobState } from './state';

/** Whether closing up has begun: from there on nothing is barred or set below covers that are on. */
export function isClosing({ closing, undone }: Pick<JobState, 'closing' | 'undone'>): boolean {
  return Object.keys(closing).length > 0 || Object.keys(undone).length > 0;
}

/**
 * The engine is opened again after closing up had begun: what closing up asks for is asked again,
 * the round before it is said to be done again, and it is run again. What was run down before the covers stays so.
 */
export function openAgain(state: JobState): void {
  state.closing = {};
  delete state.roundDone;
  delete state.barOut;
  delete state.toolsCounted;
  clearNoMore(state);
  const kept = Object.entries(state.torqued).filter(([, { closing }]) => !closing);
  state.torqued = Object.fromEntries(kept);
  state.runs = state.runs.map((run) => ({ ...run, before: true }));
}

/** What came off is put on again: it could start meanwhile, so nobody knows where the crank is. */
export function isolateAgain(state: JobState, isolation: string): void {
  if (!state.undone[isolation]) return;
  const { [isolation]: _, ...others } = state.undone;
  state.undone = others;
  const { last, turns, loosened } = state.crank;
  state.crank = { history: [], last, turns: turns + 1, loosened };
}
