import type { BladeSet, LaidOut, Trial } from '@longbar/core';
import { bladeToTry, entryOf, layOutBlades, measureOf, policyOf } from '@longbar/core';
import type { WorkingJob } from '../model/workingJob';

/** The blade to try at the adjuster that is to be read, and what was tried there before. */
export type BladeAsked = {
  id: string;
  phase: 'found' | 'left' | 'again';
  blade: LaidOut;
  tried: readonly Trial[];
};

/** The blade that an instruction to read asks for; none where no blade does. */
export function bladeAsked(
  { instruction, setting, state }: Pick<WorkingJob, 'instruction' | 'setting' | 'state'>,
  set: BladeSet,
): BladeAsked | undefined {
  if (instruction?.do !== 'read' && instruction?.do !== 'settle') return undefined;
  const { id, phase, spec } = instruction;
  const entry = entryOf(setting.sheet, id);
  if (!entry || measureOf(entry) !== 'lash') return undefined;
  const tried = state.adjusters[id]?.[phase]?.tried ?? [];
  const blade = bladeToTry(
    layOutBlades(set, spec),
    spec,
    tried,
    policyOf(setting, state),
    entry.method === 'shim',
  );
  return blade && { id, phase, blade, tried };
}
