import { useRef } from 'react';

type Touch = { pointerType: string };

/** The click that the browser makes of a touch comes within this, ms. */
const CLICK_WITHIN = 700;

/**
 * Presses the moment a finger lifts: the browser's own click comes a frame later, and is not
 * counted again. A touch that turns into scrolling is no press. Mouse and keys are as ever.
 */
export function useQuickPress(onPress: () => void) {
  const down = useRef(false);
  const pressedAt = useRef(-Infinity);
  return {
    onPress: () => {
      if (performance.now() - pressedAt.current > CLICK_WITHIN) onPress();
      pressedAt.current = -Infinity;
    },
    onPointerDown: ({ pointerType }: Touch) => {
      down.current = pointerType === 'touch';
    },
    onPointerCancel: () => {
      down.current = false;
    },
    onPointerUp: () => {
      if (!down.current) return;
      down.current = false;
      pressedAt.current = performance.now();
      onPress();
    },
  };
}
