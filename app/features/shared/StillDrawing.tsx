import { useSyncExternalStore } from 'react';
import { View } from 'react-native';
import type { Told } from '../../ui/useAfterPaint';

/**
 * Says that the screen has not followed yet what it is told, and nothing is to be tapped on it
 * before. It is drawn by itself, so that a tap does not wait for the page around it.
 */
export function StillDrawing<T>({ of, drawn }: { of: Told<T>; drawn: T }) {
  return <View aria-busy={useSyncExternalStore(of.subscribe, of.read) !== drawn} aria-hidden />;
}
