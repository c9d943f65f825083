import type { EngineSheet } from '@longbar/core';
import { cycleDegrees } from '@longbar/core';

/**
 * What is done where a turn went past its stop. Where the sheet says nothing of turning back, none is
 * taken for granted, and it is not told as if the manual forbade it.
 *
 * @example pastWords({ ...six, rotation: undefined }) // 'Not backwards: the sheet does not say …'
 */
export function pastWords(sheet: Pick<EngineSheet, 'cycle' | 'rotation'>): string {
  const { rotation } = sheet;
  if (rotation?.reversible) {
    return 'Past it: go well back, and come up again in the same direction.';
  }
  const never = rotation
    ? 'Never backwards on this engine.'
    : 'Not backwards: the sheet does not say that it may be.';
  return `${never} Past it: go on ${cycleDegrees(sheet)}°.`;
}
