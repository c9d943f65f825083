import { forecastDrift, SeededRandom } from '@longbar/core';
import type { Line } from './line';

const SPEC = { low: 280, target: 330, high: 380 };
const ENGINES = 400;
const CYLINDERS = 6;

/** How often the true line leaves the limits inside the 10–90 % band, over made-up histories. */
export function driftLines(): Line[] {
  const random = new SeededRandom(20261124);
  let inside = 0;
  let total = 0;
  for (let engine = 0; engine < ENGINES; engine++) {
    const intervals = random.whole(3, 8);
    const wear = -(8 + random.next() * 30);
    const truths: { rate: number; left: number }[] = [];
    const histories = Array.from({ length: CYLINDERS }, (_, i) => {
      const rate = wear + random.normal() * 4;
      let [hours, left] = [0, 330];
      const jobs = Array.from({ length: intervals + 1 }, () => {
        const gone = 500 + random.next() * 300;
        const found = left + (rate * gone) / 1000 + random.normal() * 10;
        hours += gone;
        left = 330 + random.normal() * 3;
        return { hours, found, left };
      });
      truths.push({ rate, left });
      return { id: `intake.${i + 1}`, jobs };
    });
    const options = { everyHours: 1e9, seed: engine, draws: 400 };
    forecastDrift(histories, { intake: SPEC }, options).adjusters.forEach(({ leaves }, i) => {
      const { rate, left } = truths[i] as { rate: number; left: number };
      const truth = (1000 * ((rate < 0 ? SPEC.low : SPEC.high) - left)) / rate;
      total++;
      if (leaves && truth >= leaves.p10 && truth <= leaves.p90) inside++;
    });
  }
  const share = (100 * inside) / total;
  return [
    {
      what: `forecastDrift: true lines leaving inside the 10–90 % band, ${total} histories`,
      figure: `${share.toFixed(1)} %`,
      wanted: '75 to 85 %',
      held: share >= 75 && share <= 85,
    },
  ];
}
