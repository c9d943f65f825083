import type { ReactNode } from 'react';
import type { StyleProp, ViewStyle } from 'react-native';
import { View } from 'react-native';

type Props = {
  /** What is chosen, for a screen reader. */
  name: string;
  style?: StyleProp<ViewStyle>;
  children: ReactNode;
};

/** Choices of which one is chosen; the arrow keys lead from one to the next, and space chooses. */
export function RadioGroup({ name, style, children }: Props) {
  return (
    <View role="radiogroup" aria-label={name} style={style} {...ARROWS}>
      {children}
    </View>
  );
}

const STEPS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** React Native for the web knows no keys of a group. */
const ARROWS: object = {
  onKeyDown: (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    const { currentTarget: group, target } = event;
    if (step === undefined || !(group instanceof HTMLElement)) return;
    const radios = [
      ...group.querySelectorAll<HTMLElement>('[role="radio"]:not([aria-disabled="true"])'),
    ];
    const at = radios.findIndex((radio) => radio === target);
    if (at < 0) return;
    // Neither scrolled nor moved on the map by it.
    event.preventDefault();
    event.stopPropagation();
    radios[(at + step + radios.length) % radios.length]?.focus();
  },
};
