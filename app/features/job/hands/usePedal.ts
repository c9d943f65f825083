import { useEffect } from 'react';

/** What the keys of a pedal or a remote do. */
export type PedalKeys = {
  /** PageDown, the right arrow or Enter: the one thing to record. */
  onPrimary: () => void;
  /** PageUp or the left arrow: what came before. */
  onPrevious: () => void;
  /** The arrows up and down: said aloud again. */
  onAgain: () => void;
};

const KEYS: Record<string, keyof PedalKeys> = {
  PageDown: 'onPrimary',
  ArrowRight: 'onPrimary',
  Enter: 'onPrimary',
  PageUp: 'onPrevious',
  ArrowLeft: 'onPrevious',
  ArrowUp: 'onAgain',
  ArrowDown: 'onAgain',
};

/**
 * Hears a pedal or a remote that types. A key that a field, a control or the map answers itself is
 * theirs: Enter presses what has the focus, and digits are typed.
 */
export function usePedal(keys: PedalKeys): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const does = KEYS[event.key];
      if (!does || event.repeat || event.defaultPrevented || isTheirs(event)) return;
      event.preventDefault();
      keys[does]();
    };
    document.addEventListener('keydown', press);
    return () => document.removeEventListener('keydown', press);
  }, [keys]);
}

/** Whether something that has the focus answers this key. */
function isTheirs({ key, target, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean {
  if (ctrlKey || metaKey || altKey) return true;
  if (!(target instanceof HTMLElement)) return false;
  if (target.closest('input, textarea, select, [role="slider"], [role="dialog"]')) return true;
  const isControl = target.closest('button, a, [role="radio"], [role="checkbox"]') !== null;
  return key === 'Enter' ? isControl : target.closest('[role="radiogroup"], svg') !== null;
}
