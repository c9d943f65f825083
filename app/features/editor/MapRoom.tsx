import type { ReactNode } from 'react';
import { useState } from 'react';
import { View } from 'react-native';

/** A drawing is of no more use any wider, points. */
const MOST = 560;

/** Draws as wide as there is room for inside a question. */
export function MapRoom({ children }: { children: (width: number) => ReactNode }) {
  const [room, setRoom] = useState(0);
  return (
    <View onLayout={({ nativeEvent: { layout } }) => setRoom(Math.floor(layout.width))}>
      {room > 0 && children(Math.min(room, MOST))}
    </View>
  );
}
