import type { Instruction } from '@longbar/core';
import type { SumId } from '../../bench/sums';

const CALLED_FOR: Partial<Record<Instruction['do'], SumId>> = {
  bar: 'bar',
  read: 'blades',
  settle: 'set',
  decide: 'screw',
  adjust: 'screw',
  lock: 'adapter',
  torque: 'adapter',
  fit: 'shims',
};

/** The sum that what is asked for calls for, by its id; none where there is nothing to reckon. */
export function sumCalledFor(instruction: Instruction | undefined): SumId | undefined {
  return instruction && CALLED_FOR[instruction.do];
}
