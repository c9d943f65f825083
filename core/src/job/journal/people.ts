import type { JobState } from './state';

/** Notes those who isolated, barred or worked at the rockers: each says clear before the start. */
export function noteAtWork(state: JobState, ...people: readonly (string | undefined)[]): void {
  for (const person of people) {
    if (person !== undefined && !state.people.includes(person)) {
      state.people = [...state.people, person];
    }
  }
}
