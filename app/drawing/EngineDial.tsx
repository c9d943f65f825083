import type { EngineSheet, Rotation } from '@longbar/core';
import { CrankDial } from './CrankDial';

type Props = {
  sheet: EngineSheet;
  /** Which way it turns: the sheet's word unless another is given. */
  rotation?: Rotation | undefined;
  at: number | undefined;
  turn?: number | undefined;
  spans?: readonly { from: number; to: number }[];
  size: number;
};

/** This engine's pulley: its marks and its sense of rotation. */
export function EngineDial({ sheet, rotation = sheet.rotation, at = 0, turn, spans, size }: Props) {
  const way = turn && rotation ? ` ${Math.round(turn)}° still to bar, ${rotation.sense}.` : '';
  const seen = rotation
    ? `, seen from the ${rotation.seenFrom}`
    : '; which way it turns is not said';
  return (
    <CrankDial
      at={at}
      marks={sheet.marks ?? []}
      // Where nobody said, the marks are drawn as they lie on an engine that turns clockwise.
      sense={rotation?.sense ?? 'clockwise'}
      size={size}
      {...(turn !== undefined && rotation && { turn })}
      {...(spans && { spans })}
      says={`Crank dial${seen}.${way}`}
    />
  );
}
