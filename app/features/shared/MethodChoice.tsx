import type { BarringMethod, EngineSheet } from '@longbar/core';
import { BARRING_METHODS, isRefused, planWork, METHOD_TITLES } from '@longbar/core';
import { useMemo } from 'react';
import { OneOf } from '../../ui/OneOf';

type Props = {
  sheet: EngineSheet;
  chosen: BarringMethod | undefined;
  onChoose: (method: BarringMethod) => void;
};

/** The methods that this engine can be barred by, and how many stops each then has. */
export function MethodChoice({ sheet, chosen, onChoose }: Props) {
  const methods = useMemo(() => methodsOf(sheet), [sheet]);
  return <OneOf name="Method" columns={2} options={methods} chosen={chosen} onChoose={onChoose} />;
}

function methodsOf(sheet: EngineSheet) {
  return BARRING_METHODS.flatMap((method) => {
    const work = planWork(sheet, { method });
    if (isRefused(work)) return [];
    const stops = work.stops.length;
    return [[method, METHOD_TITLES[method], stops === 1 ? '1 stop' : `${stops} stops`] as const];
  });
}
