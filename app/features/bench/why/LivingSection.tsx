import type { EngineSheet } from '@longbar/core';
import { sectionAt } from '@longbar/core';
import { useEffect, useRef, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import type { Crank } from '../../../drawing/crank';
import type { Drive } from '../../../drawing/CylinderSection';
import { CylinderSection } from '../../../drawing/CylinderSection';
import { elementOf } from '../../../ui/domNode.web';
import { webStyle } from '../../../ui/webStyle.web';
import { Words } from '../../../ui/Words';

type Props = { sheet: EngineSheet; crank: Crank; drive: Drive; width: number };

/** Crank degrees for each pixel that a finger goes across the section. */
const DEGREES_A_PIXEL = 1;

/** The section of No. 1 as the crank stands; a finger across it turns the engine. */
export function LivingSection({ sheet, crank, drive, width }: Props) {
  const at = useSyncExternalStore(crank.subscribe, crank.at);
  const box = useRef<View>(null);
  useEffect(() => {
    const drawing = elementOf(box.current);
    const move = (event: PointerEvent) => {
      if (event.buttons === 0) return;
      const next = crank.at() + event.movementX * DEGREES_A_PIXEL;
      crank.turn(((Math.round(next) % 720) + 720) % 720);
    };
    const down = (event: PointerEvent) => drawing.setPointerCapture(event.pointerId);
    drawing.addEventListener('pointerdown', down);
    drawing.addEventListener('pointermove', move);
    return () => {
      drawing.removeEventListener('pointerdown', down);
      drawing.removeEventListener('pointermove', move);
    };
  }, [crank]);
  const { stroke } = sectionAt(sheet, at);
  return (
    <View>
      <View ref={box} style={webStyle({ touchAction: 'pan-y', cursor: 'ew-resize' })}>
        <CylinderSection {...{ sheet, drive, at, width }} />
      </View>
      <Words as="strong" style={{ textAlign: 'center' }}>
        No. 1 at {Math.round(at)}°: {stroke}
      </Words>
    </View>
  );
}
