import { isRefused, planBarring } from '@longbar/core';
import loadHighs from 'highs';
import { engines, vee } from './engines';
import type { Line } from './line';
import { perSecond, quantile, timed } from './line';
import { fewestByHighs } from './setCover';

/** `fewest` against a general solver on the same engines, in the same run. */
async function fewestAgainstHighs(): Promise<Line[]> {
  const highs = await loadHighs();
  const sheets = engines(200, 20260502);
  for (const sheet of sheets.slice(0, 10)) planBarring(sheet, { method: 'fewest' });
  const ratios: number[] = [];
  let same = 0;
  for (const sheet of sheets) {
    const { answer: own, took: ours } = timed(() => planBarring(sheet, { method: 'fewest' }));
    const { answer: general, took: theirs } = timed(() => fewestByHighs(highs, sheet));
    if (isRefused(own)) continue;
    const gap = Math.abs((own.smallestMargin ?? 0) - (general.smallestMargin ?? 0));
    if (own.stops.length === general.stops && gap < 1e-6) same++;
    ratios.push(theirs / ours);
  }
  const times = quantile(ratios, 0.5);
  return [
    {
      what: 'fewest: same stops and smallest margin as HiGHS',
      figure: `${same} of ${sheets.length}`,
      wanted: 'all',
      held: same === sheets.length,
    },
    {
      what: 'fewest: times faster than HiGHS, median',
      figure: times.toFixed(0),
      wanted: 'at least 50',
      held: times >= 50,
    },
  ];
}

function plan(): Line {
  const sheet = vee(24);
  const rate = perSecond(() => planBarring(sheet, { method: 'fewest' }));
  return {
    what: 'planBarring fewest, vee twenty-four, free angles, a second',
    figure: rate.toFixed(0),
    wanted: 'at least 200',
    held: rate >= 200,
  };
}

/** The figures of the barring core. */
export async function barringLines(): Promise<Line[]> {
  return [...(await fewestAgainstHighs()), plan()];
}
