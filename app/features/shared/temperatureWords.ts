import type { EngineSheet } from '@longbar/core';
import { spell } from './spell';

/** How warm an engine is while it is set, and what comes before. */
export function temperatureWords({
  state,
  soakMinutes = 0,
  windowMinutes,
}: NonNullable<EngineSheet['temperature']>): string {
  if (state === 'cold') {
    return soakMinutes > 0
      ? `Set cold, after ${spell(soakMinutes)} at rest.`
      : 'Set cold. The sheet does not say how long it rests: the manual does.';
  }
  const window = windowMinutes ? `, then ${spell(windowMinutes)} to read and set` : '';
  const soak = soakMinutes > 0 ? `, after at least ${spell(soakMinutes)} under way` : '';
  return `Set hot${soak}${window}. A hot figure is never used cold.`;
}
