import type { BarringPlan, EngineSheet } from '@longbar/core';
import { barSums, readNumber } from '@longbar/core';
import { useState } from 'react';
import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

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
        label="Tool turns for one of the crank"
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
        const sums = barSums(stop.turn, { rim: diameter, ratio: tool, teeth }).map(
          ({ says }) => says,
        );
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
