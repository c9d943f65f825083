import { useRef } from 'react';

type Lifted = { preventDefault: () => void };

/** The click that the browser makes of a touch comes within this, ms. */
const CLICK_WITHIN = 700;

/**
 * Presses the moment a finger lifts. The mouse that the browser plays after a touch, and its
 * click, take a frame by themselves: they are called off, and a click that comes all the same is
 * not counted again. A touch that turns into scrolling is no press. Mouse and keys are as ever.
 */
export function useQuickPress(onPress: () => void) {
  const down = useRef(false);
  const pressedAt = useRef(-Infinity);
  const within = () => performance.now() - pressedAt.current < CLICK_WITHIN;
  return {
    onPress: () => {
      if (!within()) onPress();
      pressedAt.current = -Infinity;
    },
    onPointerDown: (pointer: object) => {
      down.current = Reflect.get(pointer, 'pointerType') === 'touch';
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
    onTouchEnd: (lifted: Lifted) => {
      if (within()) lifted.preventDefault();
    },
  };
}
