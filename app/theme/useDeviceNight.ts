import { useSyncExternalStore } from 'react';

const query = globalThis.matchMedia?.('(prefers-color-scheme: dark)');

/**
 * Whether the device is set to night. What is drawn is held against the device on each drawing:
 * who keeps only what the last change said (as react-native-web does) stays at day where the
 * browser's change fell into a drawing and was not told.
 */
export function useDeviceNight(): boolean {
  return useSyncExternalStore(follow, isNight, isNight);
}

function isNight(): boolean {
  return query?.matches ?? false;
}

function follow(onChange: () => void): () => void {
  query?.addEventListener('change', onChange);
  return () => query?.removeEventListener('change', onChange);
}
