import type { EngineSheet } from '@longbar/core';
import { useEffect, useMemo, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTokens } from '../theme/ThemeProvider';
import { Words } from '../theme/Words';
import type { Crank } from './crank';
import { EngineDial } from './EngineDial';

type Props = { sheet: EngineSheet; crank: Crank; size: number };
/** What is moved from one angle to the next without being drawn anew. */
type Moved = { style: { transform: string }; firstChild: { textContent: string } | null };

/** The dial is drawn in a square of 230: its middle, its rim and the names of the marks. */
const SQUARE = 230;
const MIDDLE = 118 / SQUARE;
const RIM = 87 / SQUARE;
const NAMES = 67 / SQUARE;

/** The dial of an engine turned by hand: its marks go round with the finger. */
export function TurningDial({ sheet, crank, size }: Props) {
  const tokens = useTokens();
  const marks = useMemo(() => sheet.marks ?? [], [sheet]);
  const unmarked = useMemo(() => ({ ...sheet, marks: [] }), [sheet]);
  const forward = sheet.rotation?.sense === 'counterclockwise' ? -1 : 1;
  const ticks = useRef<(Moved | null)[]>([]);
  const names = useRef<(Moved | null)[]>([]);
  const figure = useRef<Moved | null>(null);
  useEffect(() => {
    const move = () => {
      const at = crank.at();
      marks.forEach((mark, i) => {
        const angle = -forward * (mark.at - at);
        const [tick, name] = [ticks.current[i], names.current[i]];
        const out = `rotate(${angle}deg) translateY(${-RIM * size}px)`;
        const inside = `rotate(${angle}deg) translateY(${-NAMES * size}px) rotate(${-angle}deg)`;
        if (tick) tick.style.transform = out;
        if (name) name.style.transform = inside;
      });
      const written = figure.current?.firstChild;
      if (written) written.textContent = `${Math.round(at)}°`;
    };
    move();
    return crank.subscribe(move);
  }, [crank, marks, forward, size]);
  const middle = { left: size / 2, top: size * MIDDLE };
  return (
    <View style={styles.dial}>
      <View style={{ width: size, height: size }}>
        <EngineDial sheet={unmarked} at={0} size={size} />
        {marks.map(({ name }, i) => (
          <View key={name} style={[styles.centre, middle]} aria-hidden>
            <View
              ref={(node) => void (ticks.current[i] = node as unknown as Moved | null)}
              style={[styles.tick, { backgroundColor: tokens.enamelInk }]}
            />
            <View
              ref={(node) => void (names.current[i] = node as unknown as Moved | null)}
              style={styles.name}
            >
              <Words as="strong">{name}</Words>
            </View>
          </View>
        ))}
      </View>
      <View style={styles.figure}>
        <View ref={(node) => void (figure.current = node as unknown as Moved | null)}>
          <Words as="figure">{`${Math.round(crank.at())}°`}</Words>
        </View>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  dial: { alignItems: 'center' },
  centre: {
    position: 'absolute',
    width: 0,
    height: 0,
    alignItems: 'center',
    justifyContent: 'center',
  },
  tick: { position: 'absolute', width: 4, height: 14, willChange: 'transform' } as object,
  name: {
    position: 'absolute',
    width: 64,
    alignItems: 'center',
    willChange: 'transform',
  } as object,
  figure: {
    minWidth: 64,
    alignItems: 'center',
    contain: 'strict',
    height: 28,
    width: 80,
  } as object,
});
