import type { EngineSheet } from '../engine/sheet';
import { adjustersOf } from '../engine/adjusters';
import { sheetForTag } from '../engine/variant';
import type { Reading } from '../gauging/reading';
import type { DriftHistory, PastJob } from './drift';
import type { MeterChange } from './hours';
import { engineHours } from './hours';

/** One signed check of an engine: what was found and left. */
export type PastCheck = {
  /** What the meter showed; null where it was not read. */
  hours: { date: string; hours: number } | null;
  found?: Record<string, Reading> | undefined;
  left: Record<string, Reading>;
  /** Changed and not read since: nobody knows how they stood at the end. */
  leftUnread?: readonly string[] | undefined;
  /** The data tag read on the engine. */
  tag?: string | undefined;
  /** The head was off since the check before: drift starts anew. */
  disturbed?: boolean | undefined;
};

/** What an engine's checks say of it: its sheet by its own data tag, and every adjuster's past. */
export type EnginePast = { sheet: EngineSheet; histories: DriftHistory[] };

/** What nobody read: of no middle, so that nothing is reckoned from it. */
const UNKNOWN: Reading = { go: 0, noGo: null, how: 'go-no-go' };

/** The past of an engine from its checks, newest first. */
export function pastOf(
  sheet: EngineSheet,
  checks: readonly PastCheck[],
  meter: readonly MeterChange[],
): EnginePast {
  const own = sheetOfChecks(sheet, checks);
  return { sheet: own, histories: historiesOf(own, checks, meter) };
}

/** The sheet by the data tag that was read last: its figures are the engine's. */
function sheetOfChecks(sheet: EngineSheet, checks: readonly PastCheck[]): EngineSheet {
  return sheetForTag(sheet, checks.find(({ tag }) => tag !== undefined)?.tag);
}

/**
 * The past of every adjuster of a sheet, from its checks, newest first. Where the meter was not read
 * at a check, nobody knows how long it ran before and after: no drift is told from either, and what
 * was left then counts from the check before. Nor is it across one that changed an adjuster without
 * reading it after that.
 */
function historiesOf(
  sheet: EngineSheet,
  checks: readonly PastCheck[],
  meter: readonly MeterChange[],
): DriftHistory[] {
  const inOrder = [...checks].reverse();
  return adjustersOf(sheet).map(({ id }) => {
    const jobs: PastJob[] = [];
    let isRead = true;
    for (const { hours, found, left, leftUnread, disturbed } of inOrder) {
      const is = left[id] ?? (leftUnread?.includes(id) ? UNKNOWN : undefined);
      const was = found?.[id];
      const at = hours ? engineHours(hours, meter) : jobs.at(-1)?.hours;
      if (at === undefined || !is) continue;
      // Set without having been read before: nobody knows how far it had drifted by then.
      const anew = disturbed || !isRead || !hours || !was;
      const job = { hours: at, found: was ?? is, left: is, ...(anew && { disturbed: true }) };
      jobs.push(hours ? job : { ...job, notRead: true });
      isRead = hours !== null;
    }
    return { id, jobs };
  });
}
