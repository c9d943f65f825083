import { webStyle } from '../ui/webStyle.web';
import type { ComponentProps } from 'react';
import { useCallback, useEffect, useLayoutEffect, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { elementOf } from '../ui/domNode.web';
import { useTokens } from '../theme/ThemeProvider';
import { BELOW, CamMap, LEFT, RIGHT } from './CamMap';
import type { Crank } from './crank';

type Props = ComponentProps<typeof CamMap> & { crank: Crank };
type KeyPress = { key: string; shiftKey: boolean; preventDefault(): void };

/** The cam map with its line to drag, by pointer, touch or the arrow keys. */
export function TurnableCamMap({ crank, ...map }: Props) {
  const tokens = useTokens();
  const { cycle, width } = map;
  const box = useRef<View>(null);
  const line = useRef<View>(null);
  const slider = useRef<View>(null);
  const across = width - LEFT - RIGHT;
  const dragged = useRef(false);
  const say = useCallback(() => {
    const at = Math.round(crank.at());
    elementOf(slider.current).setAttribute('aria-valuenow', String(at));
    elementOf(slider.current).setAttribute('aria-valuetext', `${at}°`);
  }, [crank]);
  // Before anybody can ask where it stands.
  useLayoutEffect(() => {
    // Moved by hand: a frame in which React draws nothing is a frame that keeps up.
    const follow = () => {
      const at = crank.at();
      elementOf(line.current).style.transform = `translateX(${(across * at) / cycle}px)`;
      if (!dragged.current) say();
    };
    follow();
    return crank.subscribe(follow);
  }, [crank, across, cycle, say]);
  // Where the map begins is asked once a drag: asking per move makes the browser lay out.
  const left = useRef(0);
  const follow = ({ clientX }: PointerEvent) => {
    const share = (clientX - left.current - LEFT) / across;
    crank.turn(Math.round(Math.max(0, Math.min(1, share)) * cycle) % cycle);
  };
  useEffect(() => {
    const hand = elementOf(slider.current);
    const down = (event: PointerEvent) => {
      // No mouse events after this one, and no text marked while the finger goes across it.
      event.preventDefault();
      hand.setPointerCapture(event.pointerId);
      dragged.current = true;
      hand.focus();
      left.current = elementOf(box.current).getBoundingClientRect().left;
      follow(event);
    };
    const move = (event: PointerEvent) => {
      if (event.buttons > 0) follow(event);
    };
    // The angle is told once the finger is off: nobody listens to every degree on the way.
    const lifted = () => {
      dragged.current = false;
      say();
    };
    // Heard without React, which would look through the whole page for whom a move concerns.
    hand.addEventListener('pointerdown', down);
    hand.addEventListener('pointermove', move);
    hand.addEventListener('lostpointercapture', lifted);
    return () => {
      hand.removeEventListener('pointerdown', down);
      hand.removeEventListener('pointermove', move);
      hand.removeEventListener('lostpointercapture', lifted);
    };
  });
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
        {...{ onKeyDown }}
      />
    </View>
  );
}

const STEPS: Record<string, number> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
  PageUp: 30,
  PageDown: -30,
};

const styles = StyleSheet.create({
  hand: webStyle({ touchAction: 'none' }),
  line: webStyle({
    position: 'absolute',
    left: LEFT - 8,
    top: 4,
    bottom: BELOW,
    width: 16,
    alignItems: 'center',
    willChange: 'transform',
  }),
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
