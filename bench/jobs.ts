import type { CrankEntry, JobEvent } from '@longbar/core';
import { adjustersOf, crankBelief, foldOn, marginAt, SeededRandom } from '@longbar/core';
import { wholeJobs } from '../core/test-support/wholeJobs';
import { vee } from './engines';
import type { Line } from './line';
import { perSecond, quantile } from './line';

const JOBS = 10_000;
/** Seeds that no test uses. */
const FROM = 1_000_000;

/** Whole jobs by the simulated mechanic, over engines, methods, policies and faults. */
function jobLinesOf(): Line[] {
  const { ran, acts, worst, broken } = wholeJobs(FROM, JOBS);
  for (const { seed, law } of broken.slice(0, 5)) console.log(`Broken: ${seed} ${law}`);
  return [
    {
      what: `whole jobs: things off their place, barred too early, forgotten or stuck, of ${ran}`,
      figure: String(broken.length),
      wanted: '0',
      held: broken.length === 0,
    },
    {
      what: 'whole jobs: worst spare margin at which anything was read or set, degrees',
      figure: worst.toFixed(1),
      wanted: 'at least 0',
      held: worst >= 0,
    },
    {
      what: 'whole jobs: acts a job took, mean',
      figure: (acts / ran).toFixed(0),
      wanted: 'told',
      held: true,
    },
  ];
}

/** A vee sixteen with 60 looks and 10 turns, as a person would find it. */
function belief(): Line {
  const sheet = vee(16, [{ name: 'A', at: 0 }]);
  const random = new SeededRandom(7);
  const rockers = adjustersOf(sheet).filter(({ kind }) => kind === 'intake' || kind === 'exhaust');
  const history: CrankEntry[] = [];
  let crank = 100;
  for (let i = 0; i < 70; i++) {
    if (i % 7 === 6) {
      history.push({ turned: { by: 45, within: 3 } });
      crank = (crank + 45) % 720;
      continue;
    }
    const rocker = random.one(rockers);
    const arc = rocker.baseCircle;
    const off = arc && marginAt({ ...rocker, place: { arc, need: 0 } }, crank, 720);
    history.push({ seen: { id: rocker.id, state: (off ?? 0) >= 0 ? 'loose' : 'firm' } });
  }
  const rate = perSecond(() => crankBelief(sheet, history));
  return {
    what: 'crankBelief, vee sixteen, 60 observations and 10 turns, a second',
    figure: rate.toFixed(0),
    wanted: 'at least 300',
    held: rate >= 300,
  };
}

/** So many events are folded on, one by one. */
const MORE = 20;

/** Folding on after one more event, late in a journal against early in it. */
function folding(): Line {
  const event = (n: number): JobEvent => ({
    id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
    job: '00000000-0000-4000-8000-000000000001',
    n,
    at: '2026-05-02T08:00:00.000Z',
    by: 'Ina',
    type: 'reading.taken',
    adjuster: `intake.${(n % 16) + 1}`,
    phase: 'found',
    reading: { go: 300, noGo: 350, how: 'go-no-go' },
  });
  // As in a job: each fold goes on from the one before.
  const costAt = (count: number) => {
    const events = Array.from({ length: count + MORE }, (_, i) => event(i + 1));
    const journals = Array.from({ length: MORE + 1 }, (_, k) => events.slice(0, count + k));
    const costs = Array.from({ length: 200 }, () => {
      let folded = foldOn(undefined, journals[0] ?? []);
      const begun = performance.now();
      for (const journal of journals.slice(1)) folded = foldOn(folded, journal);
      return (performance.now() - begun) / MORE;
    });
    return quantile(costs, 0.5);
  };
  const ratio = costAt(2000) / costAt(20);
  return {
    what: 'folding on after one more event: at event 2,000 against event 20, times',
    figure: ratio.toFixed(2),
    wanted: 'at most 2',
    held: ratio <= 2,
  };
}

/** The figures of the crank and of whole jobs. */
export function jobLines(): Promise<Line[]> {
  return Promise.resolve([belief(), folding(), ...jobLinesOf()]);
}
