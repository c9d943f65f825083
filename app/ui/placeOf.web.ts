import type { Href } from 'expo-router';

/** A path that was put together, as the router takes it: it knows only those written out. */
export function placeOf(path: string): Href {
  return path as Href;
}
