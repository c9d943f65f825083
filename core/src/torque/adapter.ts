import type { Result } from '../result';
/** What a torque wrench is set to, with an adapter between its drive and the nut. */
export type AdapterSum = {
  /** Wanted at the nut, in any unit of torque. */
  torque: number;
  /** From the wrench's drive to the hand, in any unit of length. */
  wrench: number;
  /** From the drive to the nut, in the same unit. */
  adapter: number;
  /** Between adapter and wrench, degrees; 0 is straight on, 90 makes no difference. */
  angle: number;
};

/**
 * The setting S = T·L / (L + E·cos a). Refused with the reason where the wrench has no length
 * or the adapter points back so far that the wrench could not turn the nut.
 *
 * @example adapterSetting({ torque: 46, wrench: 400, adapter: 60, angle: 0 }) // { setting: 40 }
 */
export function adapterSetting(sum: AdapterSum): Result<{ setting: number }> {
  const { torque, wrench, adapter, angle } = sum;
  if (!(wrench > 0))
    return { refused: 'no-reach', says: 'The wrench has a length from its drive to the hand.' };
  const reach = wrench + adapter * cosine(angle);
  if (!(reach > 0)) {
    return {
      refused: 'no-reach',
      says: 'The adapter points back past the hand: the wrench cannot turn the nut.',
    };
  }
  return { setting: (torque * wrench) / reach };
}

/** Exactly 0 at a right angle: there the adapter makes no difference at all. */
function cosine(degrees: number): number {
  return Math.abs(degrees % 180) === 90 ? 0 : Math.cos((degrees * Math.PI) / 180);
}
