import type { EngineSheet } from '../engine/sheet';
import { adjustersOf } from '../engine/adjusters';
import { sheetForTag } from '../engine/variant';
import type { Reading } from '../gauging/reading';
import type { DriftHistory } from './drift';
import type { MeterChange } from './hours';
import { engineHours } from './hours';

/** One signed check of an engine: what was found and left, and what the meter showed. */
export type PastCheck = {
  hours: { date: string; hours: number } | null;
  found?: Record<string, Reading> | undefined;
  left: Record<string, Reading>;
  /** The data tag read on the engine. */
  tag?: string | undefined;
  /** The head was off since the check before: drift starts anew. */
  disturbed?: boolean | undefined;
};

/** What an engine's checks say of it: its sheet by its own data tag, and every adjuster's past. */
export type EnginePast = { sheet: EngineSheet; histories: DriftHistory[] };

/** The past of an engine from its checks, in any order. */
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
  const day = ({ hours }: PastCheck) => hours?.date ?? '';
  const read = checks.filter(({ tag }) => tag !== undefined);
  const last = [...read].sort((a, b) => day(b).localeCompare(day(a)))[0];
  return sheetForTag(sheet, last?.tag);
}

/** The past of every adjuster of a sheet, from its checks in any order. */
function historiesOf(
  sheet: EngineSheet,
  checks: readonly PastCheck[],
  meter: readonly MeterChange[],
): DriftHistory[] {
  return adjustersOf(sheet).map(({ id }) => ({
    id,
    jobs: checks.flatMap(({ hours, found, left, disturbed }) => {
      const [was, is] = [found?.[id], left[id]];
      if (!hours || !was || !is) return [];
      const at = engineHours(hours, meter);
      return [{ hours: at, found: was, left: is, ...(disturbed && { disturbed }) }];
    }),
  }));
}
