import type { EngineSheet } from '@longbar/core';
import { banksFor } from '@longbar/core';

/**
 * Where a new sheet begins: a four-cylinder four-stroke, no figure given yet. Which way it turns and
 * at which end cylinder 1 is are the manual's to say: a job would go by what was only supposed.
 */
export const NEW_SHEET: EngineSheet = {
  format: 'longbar.sheet/1',
  name: '',
  cycle: 4,
  firing: { order: [1, 3, 4, 2] },
  layout: { banks: banksFor(4, 'in-line') },
  adjusters: [
    { kind: 'intake', setAt: 'base', method: 'screw' },
    { kind: 'exhaust', setAt: 'base', method: 'screw' },
  ],
};
