import type { Instruction } from './instruction';

/**
 * What a pedal or a remote may record: the work at the crank and the rockers. What keeps people
 * safe, makes the engine able to start, or is signed, is done by hand on the screen; and a reading
 * is what blades, a gauge or a person say, never the figure that a screen begins with.
 */
const PEDALLED: ReadonlySet<Instruction['do']> = new Set([
  'torque',
  'bar',
  'decide',
  'adjust',
  'lock',
  'mark',
]);

/**
 * Whether a pedal may do what is asked for.
 *
 * @example mayBePedalled({ do: 'isolate', isolation: 'battery', step: 'unable', missing: [] }) // false
 */
export function mayBePedalled(instruction: Instruction | undefined): boolean {
  return instruction !== undefined && PEDALLED.has(instruction.do);
}
