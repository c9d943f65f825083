import type { EngineSheet } from './sheet';

/** How the cylinders stand and how they are numbered. */
export const CYLINDER_FORMS = ['in-line', 'vee-alternating', 'vee-by-bank'] as const;
export type CylinderForm = (typeof CYLINDER_FORMS)[number];
type Bank = { name: string; cylinders: number[]; valves: string[] };

/**
 * The banks of an engine with so many cylinders: one row; two banks numbered alternating
 * across the valley; or two numbered down one bank and then the other. Valves are exhaust
 * first until flipped. An odd vee has the extra cylinder in the first bank.
 *
 * @example banksFor(4, 'in-line').map(({ cylinders }) => cylinders) // [[1, 2, 3, 4]]
 */
export function banksFor(count: number, form: CylinderForm): Bank[] {
  const all = Array.from({ length: count }, (_, i) => i + 1);
  const bank = (name: string, cylinders: number[]): Bank => ({
    name,
    cylinders,
    valves: cylinders.map(() => 'EI'),
  });
  if (form === 'in-line' || count < 2) return [bank('A', all)];
  const first = (cylinder: number) =>
    form === 'vee-alternating' ? cylinder % 2 === 1 : cylinder <= Math.ceil(count / 2);
  return [
    bank('A', all.filter(first)),
    bank(
      'B',
      all.filter((cylinder) => !first(cylinder)),
    ),
  ];
}

/** The form whose banks these are, from either end; undefined for a layout of its own. */
export function formOf(
  sheet: EngineSheet,
  count: number = sheet.firing.order.length,
): CylinderForm | undefined {
  // Numbers may count from the rear: a row is the same row either way.
  const rows = sheet.layout?.banks.map(({ cylinders }) => [...cylinders].sort(ascending).join());
  if (!rows) return 'in-line';
  return CYLINDER_FORMS.find((form) => {
    const banks = banksFor(count, form);
    return (
      banks.length === rows.length && banks.every((bank, i) => bank.cylinders.join() === rows[i])
    );
  });
}

const ascending = (a: number, b: number) => a - b;

const IN_LINE: Record<number, number[][]> = {
  1: [[1]],
  2: [[1, 2]],
  3: [
    [1, 3, 2],
    [1, 2, 3],
  ],
  4: [
    [1, 3, 4, 2],
    [1, 2, 4, 3],
  ],
  5: [
    [1, 2, 4, 5, 3],
    [1, 3, 5, 4, 2],
  ],
  6: [
    [1, 5, 3, 6, 2, 4],
    [1, 4, 2, 6, 3, 5],
  ],
  7: [[1, 3, 5, 7, 6, 4, 2]],
  8: [
    [1, 6, 2, 5, 8, 3, 7, 4],
    [1, 4, 7, 3, 8, 5, 2, 6],
  ],
};
const ALTERNATING: Record<number, number[][]> = {
  2: [[1, 2]],
  4: [[1, 3, 2, 4]],
  6: [
    [1, 2, 3, 4, 5, 6],
    [1, 6, 5, 4, 3, 2],
  ],
  8: [
    [1, 8, 4, 3, 6, 5, 7, 2],
    [1, 2, 7, 8, 4, 5, 6, 3],
  ],
  10: [[1, 10, 9, 4, 3, 6, 5, 8, 7, 2]],
};
const BY_BANK: Record<number, number[][]> = {
  6: [[1, 4, 2, 5, 3, 6]],
  8: [
    [1, 5, 4, 2, 6, 3, 7, 8],
    [1, 5, 4, 8, 6, 3, 7, 2],
  ],
  10: [[1, 6, 5, 10, 2, 7, 3, 8, 4, 9]],
  12: [
    [1, 7, 5, 11, 3, 9, 6, 12, 2, 8, 4, 10],
    [1, 12, 5, 8, 3, 10, 6, 7, 2, 11, 4, 9],
  ],
};
const COMMON = { 'in-line': IN_LINE, 'vee-alternating': ALTERNATING, 'vee-by-bank': BY_BANK };

/**
 * Firing orders often met with so many cylinders standing so; empty where none is common. A vee
 * of which none is known by itself fires as two in-line engines, one bank after the other.
 *
 * @example commonOrders(12, 'vee-by-bank')[0] // [1, 7, 5, 11, 3, 9, 6, 12, 2, 8, 4, 10]
 */
export function commonOrders(count: number, form: CylinderForm): number[][] {
  return COMMON[form][count] ?? bankAfterBank(count, form);
}

function bankAfterBank(count: number, form: CylinderForm): number[][] {
  if (form === 'in-line' || count % 2 === 1) return [];
  const half = count / 2;
  const pair = (place: number) =>
    form === 'vee-by-bank' ? [place, place + half] : [2 * place - 1, 2 * place];
  return (IN_LINE[half] ?? []).map((order) => order.flatMap(pair));
}
