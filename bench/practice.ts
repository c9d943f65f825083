import { LEVELS, meanWiggles, practiceSheet, quickSheet } from '@longbar/core';
import type { Line } from './line';

const ORDERS = [
  [1, 3, 4, 2],
  [1, 5, 3, 6, 2, 4],
  [1, 8, 4, 3, 6, 5, 7, 2],
];

/** How many cylinders the best policy wiggles on average until the crank is found, by level. */
export function practiceLines(): Line[] {
  return ORDERS.map((order) => {
    const sheet = practiceSheet(quickSheet(order, 'in-line'));
    const means = LEVELS.map((level) => meanWiggles(sheet, level));
    return {
      what: `where is it, ${order.length} cylinders: the best policy wiggles on average, by level`,
      figure: means.map((mean) => mean.toFixed(1)).join(' / '),
      wanted: `at most ${order.length}`,
      held: means.every((mean) => mean <= order.length),
    };
  });
}
