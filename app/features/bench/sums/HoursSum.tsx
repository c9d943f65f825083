import type { BenchFigures } from '@longbar/core';
import { formatDays, formatHours, hoursToDate, localDay } from '@longbar/core';
import { useState } from 'react';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { HoursLine } from '../drawings/HoursLine';
import { FigureField, useFigure } from '../figure';
import { Outcome } from '../Outcome';

/** When a meter will show so many hours. */
export function HoursSum({ figures: { hours } }: { figures: BenchFigures }) {
  const now = useFigure('The meter shows, h', hours?.now ?? 6000);
  const then = useFigure('It is to show, h', (hours?.now ?? 6000) + (hours?.every ?? 500));
  const year = useFigure('Hours a year', 1200);
  const known = now.value !== undefined && then.value !== undefined && year.value !== undefined;
  const asked = { now: now.value ?? 0, then: then.value ?? 0, hoursAYear: year.value };
  const [today] = useState(() => localDay(new Date()));
  const answer = known ? hoursToDate(asked, today) : undefined;
  const days = answer?.date ? formatDays(answer.date.from, answer.date.to) : undefined;
  return (
    <Stack>
      <FigureField of={now} />
      <FigureField of={then} />
      <FigureField of={year} />
      {known && asked.then > asked.now && (
        <HoursLine now={asked.now} then={asked.then} days={days} />
      )}
      {known && asked.then <= asked.now && <Words as="strong">The meter shows that already.</Words>}
      {answer && (
        <Outcome
          figure={days ?? 'Nobody can say'}
          also={`${formatHours(asked.then - asked.now)} h to go`}
          formula={`(${formatHours(asked.then)} − ${formatHours(asked.now)}) h / ${formatHours(asked.hoursAYear ?? 0)} h a year × 365 = ${formatHours(Math.round(((asked.then - asked.now) / (asked.hoursAYear || NaN)) * 365))} days`}
        />
      )}
      <Words as="note" color="secondInk">
        A machine in the yard is reckoned by its own readings of the last year, and its months count
        too.
      </Words>
    </Stack>
  );
}
