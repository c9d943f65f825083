import type { MachineLine, Soon, Urgency } from '@longbar/core';
import { comparePressing, urgencyOf } from '@longbar/core';

/** How pressing each urgency is called. */
export const URGENCY_WORDS: Record<Urgency, string> = {
  overdue: 'Overdue',
  soon: 'Soon',
  later: 'Later',
  unknown: 'No interval',
};

export const YARD_COLUMNS = ['machine', 'engine', 'stands', 'hours', 'due'] as const;
export type YardColumn = (typeof YARD_COLUMNS)[number];
export type YardOrder = { by: YardColumn; descending: boolean };

/** The most urgent first. */
export const MOST_URGENT: YardOrder = { by: 'due', descending: false };

/** The order after a heading was pressed: by that column, or the other way round. */
export function orderAfter(order: YardOrder, by: YardColumn): YardOrder {
  return { by, descending: order.by === by ? !order.descending : false };
}

const words = new Intl.Collator('en', { numeric: true });

/** The machines by a column; what the column says nothing of stands last either way. */
export function inYardOrder(
  machines: readonly MachineLine[],
  { by, descending }: YardOrder,
  today: string,
): MachineLine[] {
  const compare = COMPARE[by];
  const empty = (machine: MachineLine) => by !== 'due' && IS_EMPTY[by](machine);
  return [...machines].sort((a, b) => {
    const [noA, noB] = [empty(a), empty(b)];
    if (noA !== noB) return noA ? 1 : -1;
    const order = compare(a, b, today) || words.compare(a.name, b.name);
    return descending ? -order : order;
  });
}

type Compare = (a: MachineLine, b: MachineLine, today: string) => number;
const COMPARE: Record<YardColumn, Compare> = {
  machine: (a, b) => words.compare(a.name, b.name),
  engine: (a, b) => words.compare(a.engine, b.engine),
  stands: (a, b) => words.compare(a.place ?? '', b.place ?? ''),
  hours: (a, b) => (a.hours?.hours ?? 0) - (b.hours?.hours ?? 0),
  due: (a, b, today) => comparePressing(a.due, b.due, today),
};
const IS_EMPTY: Record<Exclude<YardColumn, 'due'>, (machine: MachineLine) => boolean> = {
  machine: () => false,
  engine: () => false,
  stands: ({ place }) => place === undefined,
  hours: ({ hours }) => hours === null,
};

/** In one word how pressing a machine's check is. */
export function urgencyWord(machine: MachineLine, today: string, soon: Soon | undefined): string {
  return URGENCY_WORDS[urgencyOf(machine.due, today, soon)];
}
