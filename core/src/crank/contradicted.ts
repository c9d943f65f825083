import { readId } from '../engine/kinds';
import type { EngineSheet } from '../engine/sheet';
import type { CrankBelief } from './belief';
import { crankBelief } from './belief';
import type { CrankEntry, CrankHistory, Observation } from './observation';
import type { Result } from '../result';
import { isRefused } from '../result';

/** Rockers of so many cylinders are not all mistaken: one cylinder’s may be. */
const SEVERAL = 2;

/**
 * What is believed of the crank, and nothing where rockers of several cylinders speak against what
 * was seen of marks, tops and lowest points, and by themselves agree better: a rim that slipped on
 * its hub would else put every stop on a lobe. What was seen so is to be looked at again.
 *
 * @example crankOrClash(six, [{ seen: { mark: 'I', state: 'at' } }]).clash // undefined
 */
export function crankOrClash(sheet: EngineSheet, history: CrankHistory): Result<CrankBelief> {
  const belief = crankBelief(sheet, history);
  if (isRefused(belief)) return belief;
  const against = cylindersOf(belief);
  if (against < SEVERAL) return belief;
  const seen = history.flatMap((entry) => (isSight(entry) ? [entry.seen] : []));
  if (seen.length === 0) return belief;
  const rockers = crankBelief(
    sheet,
    history.filter((entry) => !isSight(entry)),
  );
  if (isRefused(rockers) || cylindersOf(rockers) >= against) return belief;
  return { best: [], plausible: [], odd: belief.odd, told: false, clash: seen };
}

/** Something seen, and not how a rocker feels. */
function isSight(entry: CrankEntry): entry is { seen: Observation } {
  return 'seen' in entry && !['loose', 'firm'].includes(entry.seen.state);
}

function cylindersOf({ odd }: CrankBelief): number {
  return new Set(odd.map((id) => readId(id).cylinder)).size;
}
