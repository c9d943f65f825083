import { webStyle } from '../ui/webStyle.web';
import type { EngineSheet } from '@longbar/core';
import { useEffect, useMemo, useRef } from 'react';
import type { Text } from 'react-native';
import { StyleSheet, View } from 'react-native';
import { elementOf } from '../ui/domNode.web';
import { useTokens } from '../theme/ThemeProvider';
import { Words } from '../ui/Words';
import type { Crank } from './crank';
import { EngineDial } from './EngineDial';
import { whileSeen } from '../ui/whileSeen';

type Props = { sheet: EngineSheet; crank: Crank; size: number };

/** The dial is drawn in a square of 230: its middle, its rim and the names of the marks. */
const SQUARE = 230;
const MIDDLE = 118 / SQUARE;
const RIM = 87 / SQUARE;
const NAMES = 67 / SQUARE;

/** The dial of an engine turned by hand: its marks go round with the finger, as stamped on it. */
export function TurningDial({ sheet, crank, size }: Props) {
  const tokens = useTokens();
  const marks = sheet.marks ?? [];
  const unmarked = useMemo(() => ({ ...sheet, marks: [] }), [sheet]);
  const forward = sheet.rotation?.sense === 'counterclockwise' ? -1 : 1;
  const dial = useRef<View>(null);
  const rim = useRef<View>(null);
  const figure = useRef<Text>(null);
  useEffect(() => {
    const move = () => {
      const at = crank.at();
      // One layer turns, whatever is stamped on it: each further one costs its share of a frame.
      elementOf(rim.current).style.transform = `rotate(${forward * at}deg)`;
      const written = figure.current && elementOf(figure.current).firstChild;
      if (written) written.nodeValue = `${Math.round(at)}°`;
    };
    move();
    // What is out of sight waits: it is moved when it comes into view.
    return whileSeen(dial.current, () => {
      move();
      return crank.subscribe(move);
    });
  }, [crank, forward]);
  const middle = { left: size / 2, top: size * MIDDLE };
  return (
    <View ref={dial} style={styles.dial}>
      <View style={{ width: size, height: size }}>
        <EngineDial sheet={unmarked} at={0} size={size} />
        <View ref={rim} style={[styles.rim, middle]} aria-hidden>
          {marks.map(({ name, at }) => (
            <View key={name} style={[styles.mark, { transform: `rotate(${-forward * at}deg)` }]}>
              <View
                style={[styles.tick, { backgroundColor: tokens.enamelInk, top: -RIM * size - 7 }]}
              />
              <View style={[styles.name, { top: -NAMES * size - 12 }]}>
                <Words as="strong">{name}</Words>
              </View>
            </View>
          ))}
        </View>
      </View>
      <View style={styles.figure}>
        <Words ref={figure} as="figure" style={styles.written}>
          {`${Math.round(crank.at())}°`}
        </Words>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  dial: { alignItems: 'center' },
  rim: webStyle({ position: 'absolute', width: 0, height: 0, willChange: 'transform' }),
  mark: { position: 'absolute', width: 0, height: 0, alignItems: 'center' },
  tick: { position: 'absolute', left: -2, width: 4, height: 14 },
  name: { position: 'absolute', left: -32, width: 64, alignItems: 'center' },
  figure: { height: 28, width: 80 },
  // Nothing around it is laid out anew when the figure changes.
  written: webStyle({
    position: 'absolute',
    left: 0,
    top: 0,
    width: 80,
    height: 28,
    textAlign: 'center',
    overflow: 'hidden',
    contain: 'strict',
  }),
});
