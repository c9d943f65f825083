import type { CrankBelief } from '../../crank/belief';
import { spanOf, unknownCrank } from '../../crank/belief';
import { crankOrClash } from '../../crank/contradicted';
import type { CrankHistory } from '../../crank/observation';
import { settable } from '../../crank/settable';
import { cycleDegrees } from '../../engine/firing';
import type { EngineSheet } from '../../engine/sheet';
import { rememberPair } from '../../remember';
import type { JobState } from '../journal/state';
import type { Result } from '../../result';
import { isRefused } from '../../result';

/** Where the crank of a job is believed to stand. */
export type CrankOfJob = {
  belief: CrankBelief;
  /** What may be lit, read and set. */
  settable: ReadonlySet<string>;
  /** The arc that holds all plausible degrees; none while the place is not told. */
  span?: { from: number; to: number; length: number };
};

const NOTHING: CrankHistory = [];

/**
 * Where the crank stands by the journal. While it is doubted whether somebody turned it, nothing
 * is known; what this sheet cannot show, as after another sheet, says nothing either.
 */
export function crankOfJob(sheet: EngineSheet, { crank }: Pick<JobState, 'crank'>): CrankOfJob {
  return told(crank.doubted ? NOTHING : crank.history, sheet);
}

const told = rememberPair((history: CrankHistory, sheet: EngineSheet): CrankOfJob => {
  const answer: Result<CrankBelief> = crankOrClash(sheet, history);
  const belief = isRefused(answer) ? unknownCrank(sheet) : answer;
  return {
    belief,
    settable: new Set(settable(sheet, belief)),
    ...(belief.told && { span: spanOf(belief.plausible, cycleDegrees(sheet)) }),
  };
});
