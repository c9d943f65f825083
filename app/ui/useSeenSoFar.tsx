import type { ReactNode } from 'react';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { useSame } from './useSame';
import { whileSeen } from './whileSeen';

/** So many rows fill a screen and a little more. */
const STEP = 20;

/**
 * How many of a long list are drawn: those that were scrolled to so far. `end` stands behind the
 * last of them and has more drawn once it is seen.
 */
export function useSeenSoFar(total: number): { count: number; end: ReactNode } {
  const [count, setCount] = useState(STEP);
  const more = () => setCount(count + STEP);
  return { count, end: count < total ? <End key={count} onSeen={more} /> : null };
}

function End({ onSeen }: { onSeen: () => void }) {
  const end = useRef<View>(null);
  const seen = useSame(onSeen);
  useEffect(
    () =>
      whileSeen(end.current, () => {
        seen();
        return () => undefined;
      }),
    [seen],
  );
  return <View ref={end} style={{ height: 1 }} />;
}
