import type { ReactNode } from 'react';
import type { StyleProp, ViewStyle } from 'react-native';
import { StyleSheet, View } from 'react-native';
import { useQuickPress } from './useQuickPress';
import { webStyle } from './webStyle.web';

type Props = {
  name: string;
  onPress: () => void;
  style: StyleProp<ViewStyle>;
  children: ReactNode;
};

/**
 * A button that is tapped again and again, and whose answer is waited for. It looks the same while
 * it is pressed: a Pressable is drawn anew for that, between the tap and its answer.
 */
export function QuickButton({ name, onPress, style, children }: Props) {
  const { onPress: onClick, ...touch } = useQuickPress(onPress);
  return (
    <View
      accessible
      role="button"
      aria-label={name}
      tabIndex={0}
      {...{ onClick, ...touch }}
      style={[styles.pressed, style]}
    >
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  pressed: webStyle({ cursor: 'pointer', touchAction: 'manipulation', userSelect: 'none' }),
});
