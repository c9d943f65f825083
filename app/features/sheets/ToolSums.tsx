import type { BarringPlan, EngineSheet } from '@longbar/core';
import { barSums } from '@longbar/core';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { FigureField, useFigure, useRule } from '../bench/figure';

/** The bar's arithmetic for the tool at hand, from stop to stop. */
export function ToolSums({ sheet, plan }: { sheet: EngineSheet; plan: BarringPlan }) {
  const { ratio, rim, teeth } = sheet.barring ?? {};
  const tool = useFigure('Tool turns for one of the crank', ratio);
  const across = useRule('Rim of the pulley, diameter', rim);
  return (
    <Stack gap={8}>
      <Words as="heading">With the tool at hand</Words>
      <FigureField of={tool} />
      <FigureField of={across} />
      {plan.stops.slice(1).map((stop, i) => {
        const sums = barSums(stop.turn, { rim: across.value, ratio: tool.value, teeth }).map(
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
