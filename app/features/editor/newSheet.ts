import type { EngineSheet } from '@longbar/core';
import { banksFor } from '@longbar/core';

/** Where a new sheet begins: a four-cylinder four-stroke, no figure given yet. */
export const NEW_SHEET: EngineSheet = {
  format: 'longbar.sheet/1',
  name: '',
  cycle: 4,
  firing: { order: [1, 3, 4, 2] },
  rotation: { seenFrom: 'front', sense: 'clockwise', reversible: false },
  layout: { banks: banksFor(4, 'in-line'), numberedFrom: 'front' },
  adjusters: [
    { kind: 'intake', setAt: 'base', method: 'screw' },
    { kind: 'exhaust', setAt: 'base', method: 'screw' },
  ],
};
