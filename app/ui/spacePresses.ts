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
