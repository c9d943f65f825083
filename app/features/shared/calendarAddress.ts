/** Where a calendar finds the due dates; the key lets in what has no phone's cookie. */
export function calendarAddress(key: string): string {
  return `${window.location.origin}/api/due.ics?key=${key}`;
}
