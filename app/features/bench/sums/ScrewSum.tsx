import type { BenchFigures, Screw } from '@longbar/core';
import { partOfTurn, screwTurn } from '@longbar/core';
import { useState } from 'react';
import { OneOf } from '../../../ui/OneOf';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { ScrewClock } from '../drawings/ScrewClock';
import { FigureField, useFigure, useLength, usePitch } from '../figure';
import { Outcome } from '../Outcome';

const SIDES = [
  ['pushrod', 'Push rod side'],
  ['valve', 'Valve side'],
] as const;

/** How far the screw is turned for a change of the gap: a part of a turn, and on a clock face. */
export function ScrewSum({ figures: { spec, measured, screw } }: { figures: BenchFigures }) {
  const now = useLength('Gap now', measured ?? 230);
  const wanted = useLength('Gap wanted', spec?.target ?? 330);
  const pitch = usePitch(screw?.pitch ?? 1000);
  const ratio = useFigure('Rocker ratio', screw?.ratio ?? 1.4);
  const [side, setSide] = useState<Screw['side']>(screw?.side ?? 'pushrod');
  const made =
    (pitch.value ?? 0) > 0 && (ratio.value ?? 0) > 0
      ? { pitch: pitch.value ?? 0, ratio: ratio.value ?? 1, side }
      : undefined;
  const known = now.value !== undefined && wanted.value !== undefined;
  const turn = made && known ? screwTurn(made, (wanted.value ?? 0) - (now.value ?? 0)) : undefined;
  return (
    <Stack>
      <FigureField of={now} />
      <FigureField of={wanted} />
      <FigureField of={pitch} />
      <FigureField of={ratio} />
      <OneOf name="Where the screw is" options={SIDES} chosen={side} onChoose={setSide} />
      {turn && (
        <>
          <ScrewClock degrees={turn.degrees} says={turnWords(turn.degrees)} />
          <Outcome
            figure={turnWords(turn.degrees)}
            also={alsoWords(turn.turns, turn.minutes)}
            formula={turn.formula}
          />
        </>
      )}
      <Words as="note" color="secondInk">
        For a right-hand thread: backing off opens the gap. Locking usually closes it a little; the
        blade decides, not the angle.
      </Words>
    </Stack>
  );
}

const whole = new Intl.NumberFormat('en', { maximumFractionDigits: 0 });

function turnWords(degrees: number): string {
  if (Math.abs(degrees) < 0.5) return 'Nothing to turn';
  return `${degrees > 0 ? 'Back off' : 'Turn in'} ${whole.format(Math.abs(degrees))}°`;
}

function alsoWords(turns: number, minutes: number): string {
  const part = partOfTurn(turns);
  const face = `${whole.format(Math.abs(minutes))} minutes on a clock face`;
  return part === '' ? face : `About ${part} turn, ${face}`;
}
