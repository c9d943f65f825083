import type { CylinderForm, EngineSheet, Result } from '@longbar/core';
import { CYLINDER_FORMS, isRefused, quickSheet, readGaps, readOrder } from '@longbar/core';

/** What an address asks of the quick chart. */
export type ChartQuery = { order?: string; form?: string; gaps?: string };

/** A chart as it was asked for: its order, how its cylinders stand, and the sheet made of them. */
export type ChartAsked = { order: number[]; form: CylinderForm; gaps: string; sheet: EngineSheet };

/** Reads what an address asks for; refused where that is no firing order. */
export function chartAsked({ order = '', form, gaps = '' }: ChartQuery): Result<ChartAsked> {
  const read = readOrder(order);
  if (isRefused(read)) return read;
  const angles = readGaps(gaps, read.order.length);
  if (angles && isRefused(angles)) return angles;
  const stands = CYLINDER_FORMS.find((each) => each === form) ?? 'in-line';
  return {
    order: read.order,
    form: stands,
    gaps,
    sheet: quickSheet(read.order, stands, angles?.gaps),
  };
}

/** The chart that a page to print is about; none where its address names none. */
export function chartNamed(query: ChartQuery): ChartAsked | undefined {
  const asked = chartAsked(query);
  return query.order === undefined || isRefused(asked) ? undefined : asked;
}

/** The address of a page of a chart. */
export function chartAddress(
  page: 'chart' | 'card' | 'strip' | 'disc',
  { order, form, gaps }: Pick<ChartAsked, 'order' | 'form' | 'gaps'>,
  more = '',
): string {
  const uneven = gaps === '' ? '' : `&gaps=${encodeURIComponent(gaps)}`;
  return `/bench/${page}?order=${order.join('-')}&form=${form}${uneven}${more}`;
}
