import type { ReactNode } from 'react';
import { useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';
import { StyleSheet, View } from 'react-native';
import { pixels } from '../shared/paper';
import type { LabelFormat } from './labelFormats';

/** One step smaller, and the smallest that is still read. */
const STEP = 0.05;
const SMALLEST = 0.6;

type Props = LabelFormat['label'] & { children: ReactNode };

/** A label drawn so much smaller that nothing of it is printed beyond its edge. */
export function Fitted({ width, height, children }: Props) {
  const [scale, setScale] = useState(1);
  const room = pixels(height);
  const fit = ({ nativeEvent }: LayoutChangeEvent) => {
    const isTooHigh = nativeEvent.layout.height * scale > room + 0.5;
    if (isTooHigh && scale > SMALLEST) setScale(scale - STEP);
  };
  return (
    <View style={{ width: pixels(width), height: room }}>
      <View
        onLayout={fit}
        style={[styles.inner, { width: pixels(width) / scale, transform: [{ scale }] }]}
      >
        {children}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({ inner: { transformOrigin: 'top left' } });
