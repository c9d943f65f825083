import type { NextDue } from '../service/nextDue';
import { isOverdue } from '../service/pressing';
import { formatDay, formatDays, formatMillimetres } from '../units';
import type { HowLong } from './howLong';
import type { ShimsAhead, SizeCount } from './shimsAhead';

const HOURS = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

/** Work in hours, as 3.5 h. */
export function workHours(minutes: number): string {
  return `${HOURS.format(minutes / 60)} h`;
}

/** How long a check takes, and what that rests on. */
export function takesWords(takes: HowLong | null): string {
  if (!takes) return 'How long it takes is not known; its sheet can guess until a check was made.';
  const often = workHours(takes.median);
  const late = workHours(takes.late);
  if (takes.by === 'sheet') return `${often} as the sheet guesses, ${late} if it goes badly.`;
  const past = takes.of === 1 ? 'one past check' : `${takes.of} past checks`;
  return `${often} by ${past}, ${late} if it goes badly.`;
}

const sizesWords = (sizes: readonly SizeCount[]) =>
  sizes.map(({ size, count }) => `${count} × ${formatMillimetres(size)}`).join(', ');

/** Which shims a machine will probably need, and where they come from. */
export function shimsAheadWords({ fromStock, buy }: ShimsAhead): string {
  const said = [
    buy.length > 0 && `to order ${sizesWords(buy)} mm`,
    fromStock.length > 0 && `from the drawer ${sizesWords(fromStock)} mm`,
  ];
  return said.filter((each) => each !== false).join('; ');
}

/** When a check falls due, as a plan says it on `today`. */
export function whenDue(due: NextDue | null, today: string): string {
  if (!due) return 'no date can be said';
  if (isOverdue(due, today)) {
    return due.by === 'months' && due.date ? `overdue since ${formatDay(due.date.to)}` : 'overdue';
  }
  return due.date ? `due ${formatDays(due.date.from, due.date.to)}` : 'no date can be said';
}
