import type { BarringPlan, EngineSheet } from '@longbar/core';
import { formatMillimetres, ratchetClicks, readNumber, rimArc, toolTurns } from '@longbar/core';
import { useState } from 'react';
import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

const figure = new Intl.NumberFormat('en', { maximumFractionDigits: 2 });

/** The bar's arithmetic for the tool at hand, from stop to stop. */
export function ToolSums({ sheet, plan }: { sheet: EngineSheet; plan: BarringPlan }) {
  const { ratio, rim, teeth } = sheet.barring ?? {};
  const [ratioText, setRatio] = useState(ratio === undefined ? '' : String(ratio));
  const [rimText, setRim] = useState(rim === undefined ? '' : String(rim / 1000));
  const tool = readNumber(ratioText) ?? 0;
  const diameter = (readNumber(rimText) ?? 0) * 1000;
  return (
    <Stack gap={8}>
      <Words as="heading">With the tool at hand</Words>
      <Field
        label="Turns of the tool for one of the crank"
        inputMode="decimal"
        value={ratioText}
        onChange={setRatio}
        error={wrong(ratioText)}
      />
      <Field
        label="Rim of the pulley, diameter in mm"
        inputMode="decimal"
        value={rimText}
        onChange={setRim}
        error={wrong(rimText)}
      />
      {plan.stops.slice(1).map((stop, i) => {
        const turns = toolTurns(stop.turn, tool);
        const sums = [
          tool > 0 ? `${figure.format(turns)} turns of the tool` : '',
          tool > 0 && teeth !== undefined
            ? `${figure.format(ratchetClicks(turns, teeth))} clicks`
            : '',
          diameter > 0 ? `${formatMillimetres(rimArc(stop.turn, diameter))} mm along the rim` : '',
        ].filter(Boolean);
        return (
          <Words key={i} as="note">
            To stop {i + 2}: {Math.round(stop.turn)}°{sums.length ? `, ${sums.join(', ')}` : ''}
          </Words>
        );
      })}
    </Stack>
  );
}

function wrong(text: string): string | undefined {
  if (text.trim() === '') return undefined;
  return (readNumber(text) ?? 0) > 0 ? undefined : 'A figure above 0, such as 11.';
}
