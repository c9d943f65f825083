import type { EngineSheet, JobState, KnownEvent } from '@longbar/core';
import { describeEvent, itemNames } from '@longbar/core';

/** What somebody wrote in a job, and when. */
export type WrittenWords = { at: string; says: string };

/** Events in which people write words. */
const WRITTEN: ReadonlySet<string> = new Set([
  'why.noted',
  'opening.noted',
  'question.answered',
  'adjuster.unset',
  'run.noted',
  'machine.noted',
  'isolation.exempted',
] satisfies KnownEvent['type'][]);

/** What people wrote in a job and added to its record, to be searched. */
export function wordsOf(sheet: EngineSheet, state: JobState): WrittenWords[] {
  const names = itemNames(sheet, state);
  const written = [...state.standing].filter(({ type }) => WRITTEN.has(type));
  return [
    ...written.map((event) => {
      const { what, detail } = describeEvent(event, names);
      const more = ['symptom', 'note', 'from', 'says'] as const;
      const rest = more.flatMap((key) => {
        const value: unknown = Reflect.get(event, key);
        return typeof value === 'string' && value !== '' ? [value] : [];
      });
      const others = rest.filter((text) => !detail.includes(text));
      return { at: event.at, says: [`${what}: ${detail}`, ...others].join(', ') };
    }),
    ...state.amendments.map(({ at, text }) => ({ at, says: `Added after signing: ${text}` })),
  ];
}
