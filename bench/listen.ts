import { soundPair } from '../core/test-support/soundPairs';
import type { Line } from './line';

const PAIRS = 300;

/** Made-up pairs of clips, before and after: how many are told right, and how many wrong. */
export function listenLines(): Line[] {
  const told = Array.from({ length: PAIRS }, (_, i) => soundPair(i + 1).told);
  const share = (how: string) => (100 * told.filter((each) => each === how).length) / PAIRS;
  const right = share('right');
  const wrong = share('wrong');
  return [
    {
      what: `listening: of ${PAIRS} made-up pairs told right (none, one or several, before and after)`,
      figure: `${right.toFixed(1)} %`,
      wanted: 'at least 90 %',
      held: right >= 90,
    },
    {
      what: 'the same told wrong; it says of the rest that it cannot tell',
      figure: `${wrong.toFixed(1)} %`,
      wanted: 'at most 3 %',
      held: wrong <= 3,
    },
  ];
}
