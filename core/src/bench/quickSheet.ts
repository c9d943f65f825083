import type { CylinderForm } from '../engine/cylinderForms';
import { banksFor } from '../engine/cylinderForms';
import type { EngineSheet } from '../engine/sheet';

/**
 * A sheet for a bare firing order, so that a chart can be had before there is any sheet: a
 * four-stroke with one intake and one exhaust valve a cylinder, whose lobes are the typical ones.
 * A two-stroke cannot be had so: its valves open where its own manual says.
 *
 * @example quickSheet([1, 3, 4, 2], 'in-line').firing.order // [1, 3, 4, 2]
 */
export function quickSheet(order: number[], form: CylinderForm, gaps?: number[]): EngineSheet {
  return {
    format: 'longbar.sheet/1',
    name: order.join('-'),
    cycle: 4,
    firing: gaps ? { order, gaps } : { order },
    layout: { banks: banksFor(order.length, form), numberedFrom: 'front' },
    adjusters: [
      { kind: 'intake', setAt: 'base', method: 'screw' },
      { kind: 'exhaust', setAt: 'base', method: 'screw' },
    ],
  };
}
