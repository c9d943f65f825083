import type { EngineSheet } from '@longbar/core';
import { CrankDial } from './CrankDial';

type Props = {
  sheet: EngineSheet;
  at: number | undefined;
  turn?: number;
  spans?: readonly { from: number; to: number }[];
  size: number;
};

/** This engine's pulley: its marks and its sense of rotation. */
export function EngineDial({ sheet, at = 0, turn, spans, size }: Props) {
  const sense = sheet.rotation?.sense ?? 'clockwise';
  const way = turn ? `${Math.round(turn)}° still to bar, ${sense}.` : '';
  return (
    <CrankDial
      at={at}
      marks={sheet.marks ?? []}
      sense={sense}
      size={size}
      {...(turn !== undefined && { turn })}
      {...(spans && { spans })}
      says={`Crank dial, seen from the ${sheet.rotation?.seenFrom ?? 'front'}. ${way}`}
    />
  );
}
