import type { Observation } from '@longbar/core';
import { adjustersOf, isRefused, locateCrank, planBarring } from '@longbar/core';
import loadHighs from 'highs';
import { engines, vee } from './engines';
import type { Line } from './line';
import { quantile, timed } from './line';
import { SeededRandom } from '@longbar/core';
import { fewestByHighs } from './setCover';

/** Runs `work` for at least `ms` and answers how often a second. */
function perSecond(work: () => unknown, ms = 1500): number {
  for (let i = 0; i < 20; i++) work();
  const begun = performance.now();
  let runs = 0;
  while (performance.now() - begun < ms) {
    work();
    runs++;
  }
  return (runs * 1000) / (performance.now() - begun);
}

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

function locate(): Line {
  const sheet = vee(16, [{ name: 'A', at: 0 }]);
  const random = new SeededRandom(7);
  const rockers = adjustersOf(sheet).filter(({ kind }) => kind === 'intake' || kind === 'exhaust');
  const observations = random
    .shuffled(rockers)
    .slice(0, 40)
    .map(({ id }): Observation => ({ id, state: random.next() < 0.5 ? 'loose' : 'firm' }));
  const rate = perSecond(() => locateCrank(sheet, observations));
  return {
    what: 'locateCrank, vee sixteen, 40 observations, a second',
    figure: rate.toFixed(0),
    wanted: 'at least 500',
    held: rate >= 500,
  };
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
  return [...(await fewestAgainstHighs()), locate(), plan()];
}
