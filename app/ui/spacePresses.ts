/**
 * The space bar on what is ticked or chosen, as people expect of a checkbox and a radio
 * button: React Native for the web presses only buttons by it.
 */
export function spacePresses(onPress: () => void): object {
  return {
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key !== ' ' || event.repeat) return;
      // Not scrolled by it.
      event.preventDefault();
      onPress();
    },
  };
}

/**
 * Not pressed by Enter: a remote or a pedal that types it must never do what keeps people safe.
 * The space bar, a mouse and a finger press it as ever.
 */
export const NOT_BY_ENTER: object = {
  onKeyDownCapture: (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    event.stopPropagation();
  },
};
