import { useCallback, useLayoutEffect, useRef } from 'react';

/**
 * A function that is the same each time and does what the latest one does. What it is handed to is
 * drawn anew when something that it shows changes, and not because the page around it was.
 *
 * @example const Button = memo(Pressable); <Button onPress={useSame(() => onTap(blade))} />
 */
export function useSame<Given extends unknown[], Answer>(
  latest: (...given: Given) => Answer,
): (...given: Given) => Answer {
  const now = useRef(latest);
  useLayoutEffect(() => {
    now.current = latest;
  });
  return useCallback((...given: Given) => now.current(...given), []);
}
