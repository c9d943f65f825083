import type { ComponentProps } from 'react';
import { useEffect, useRef } from 'react';
import type { GestureResponderEvent } from 'react-native';
import { StyleSheet, View } from 'react-native';
import { useTokens } from '../theme/ThemeProvider';
import { BELOW, CamMap, LEFT, RIGHT } from './CamMap';
import type { Crank } from './crank';

type Props = ComponentProps<typeof CamMap> & { crank: Crank };
type Node = { style: { transform: string }; setAttribute(name: string, value: string): void };
type Box = { getBoundingClientRect(): { left: number } };
type KeyPress = { key: string; shiftKey: boolean; preventDefault(): void };

/** The cam map with its line to drag, by pointer, touch or the arrow keys. */
export function TurnableCamMap({ crank, ...map }: Props) {
  const tokens = useTokens();
  const { cycle, width } = map;
  const box = useRef<View>(null);
  const line = useRef<View>(null);
  const slider = useRef<View>(null);
  const across = width - LEFT - RIGHT;
  useEffect(() => {
    // Moved by hand: a frame in which React draws nothing is a frame that keeps up.
    const follow = () => {
      const at = crank.at();
      (line.current as unknown as Node).style.transform = `translateX(${(across * at) / cycle}px)`;
      (slider.current as unknown as Node).setAttribute('aria-valuenow', String(Math.round(at)));
      (slider.current as unknown as Node).setAttribute('aria-valuetext', `${Math.round(at)}°`);
    };
    follow();
    return crank.subscribe(follow);
  }, [crank, across, cycle]);
  const follow = ({ nativeEvent }: GestureResponderEvent) => {
    const left = (box.current as unknown as Box).getBoundingClientRect().left;
    const share = (nativeEvent.pageX - left - LEFT) / across;
    crank.turn(Math.round(Math.max(0, Math.min(1, share)) * cycle) % cycle);
  };
  const onKeyDown = (event: KeyPress) => {
    const step = STEPS[event.key];
    if (step === undefined) return;
    event.preventDefault();
    crank.turn((crank.at() + step * (event.shiftKey ? 10 : 1) + cycle) % cycle);
  };
  return (
    <View ref={box} style={{ width }}>
      <CamMap {...map} turnable />
      <View ref={line} style={styles.line} aria-hidden>
        <View style={[styles.head, { borderTopColor: tokens.act }]} />
        <View style={[styles.stem, { backgroundColor: tokens.act }]} />
      </View>
      <View
        ref={slider}
        style={[StyleSheet.absoluteFill, styles.hand]}
        role="slider"
        aria-label="Crank angle; drag or use the arrow keys to turn the engine"
        aria-valuemin={0}
        aria-valuemax={cycle - 1}
        tabIndex={0}
        onStartShouldSetResponder={always}
        onMoveShouldSetResponder={always}
        onResponderTerminationRequest={never}
        onResponderGrant={follow}
        onResponderMove={follow}
        {...{ onKeyDown }}
      />
    </View>
  );
}

const always = () => true;
const never = () => false;

const STEPS: Record<string, number> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
  PageUp: 30,
  PageDown: -30,
};

const styles = StyleSheet.create({
  hand: { touchAction: 'none' } as object,
  line: {
    position: 'absolute',
    left: LEFT - 8,
    top: 4,
    bottom: BELOW,
    width: 16,
    alignItems: 'center',
    willChange: 'transform',
  } as object,
  head: {
    width: 0,
    height: 0,
    borderTopWidth: 14,
    borderLeftWidth: 8,
    borderRightWidth: 8,
    borderLeftColor: 'transparent',
    borderRightColor: 'transparent',
  },
  stem: { flex: 1, width: 2.5 },
});
