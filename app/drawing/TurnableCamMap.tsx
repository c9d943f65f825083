import type { ComponentProps } from 'react';
import { useRef } from 'react';
import type { GestureResponderEvent } from 'react-native';
import { StyleSheet, View } from 'react-native';
import { CamMap, LEFT, RIGHT } from './CamMap';

type Props = ComponentProps<typeof CamMap> & { onTurn: (at: number) => void };
type Box = { getBoundingClientRect(): { left: number } };
type KeyPress = { key: string; shiftKey: boolean; preventDefault(): void };

/** The cam map with its line to drag, by pointer, touch or the arrow keys. */
export function TurnableCamMap({ onTurn, ...map }: Props) {
  const { at, cycle, width } = map;
  const box = useRef<View>(null);
  const follow = ({ nativeEvent }: GestureResponderEvent) => {
    const left = (box.current as unknown as Box).getBoundingClientRect().left;
    const share = (nativeEvent.pageX - left - LEFT) / (width - LEFT - RIGHT);
    onTurn(Math.round(Math.max(0, Math.min(1, share)) * cycle) % cycle);
  };
  const onKeyDown = (event: KeyPress) => {
    const step = STEPS[event.key];
    if (step === undefined) return;
    event.preventDefault();
    onTurn((at + step * (event.shiftKey ? 10 : 1) + cycle) % cycle);
  };
  return (
    <View ref={box} style={{ width }}>
      <CamMap {...map} />
      <View
        style={[StyleSheet.absoluteFill, styles.line]}
        role="slider"
        aria-label="Crank angle; drag or use the arrow keys to turn the engine"
        aria-valuemin={0}
        aria-valuemax={cycle - 1}
        aria-valuenow={Math.round(at)}
        aria-valuetext={`${Math.round(at)}°`}
        tabIndex={0}
        onStartShouldSetResponder={() => true}
        onMoveShouldSetResponder={() => true}
        onResponderTerminationRequest={() => false}
        onResponderGrant={follow}
        onResponderMove={follow}
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

const styles = StyleSheet.create({ line: { touchAction: 'none' } as object });
