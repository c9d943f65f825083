import type { EngineSheet } from '../../engine/sheet';
import type { JobState } from '../journal/state';

/** Until when a hot engine may be read, in ms; undefined where it is not set hot or not known. */
export function hotUntil(sheet: EngineSheet, { hot }: Pick<JobState, 'hot'>): number | undefined {
  const { state: temperature, windowMinutes } = sheet.temperature ?? {};
  if (temperature !== 'hot' || windowMinutes === undefined || !hot) return undefined;
  return Date.parse(hot.stopped) + windowMinutes * 60_000;
}

/** The adjusters that were read after the hot window of the time was over, each once. */
export function readTooCool(sheet: EngineSheet, { standing }: JobState): string[] {
  let until: number | undefined;
  const cool = new Set<string>();
  for (const event of standing) {
    if (event.type === 'hot.stated') until = hotUntil(sheet, { hot: event });
    if (event.type !== 'reading.taken' || until === undefined) continue;
    if (Date.parse(event.at) > until) cool.add(event.adjuster);
  }
  return [...cool];
}
