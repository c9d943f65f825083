import { BARRING_METHODS, isRefused, METHOD_TITLES, planWork } from '@longbar/core';
import { Stack } from '../../ui/Panel';
import { PrintHead, PrintPage } from '../../ui/PrintPage';
import { Words } from '../../ui/Words';
import { AssumedLobes } from '../shared/AssumedLobes';
import { PlanCard } from '../shared/PlanCard';
import type { ChartQuery } from './chartAsked';
import { chartAddress, chartAsked } from './chartAsked';

/** The quick chart on one page, to print and keep in the pocket. */
export function QuickCardScreen({ method, ...query }: ChartQuery & { method?: string }) {
  const asked = chartAsked(query);
  if (isRefused(asked)) {
    return (
      <PrintPage back="Back to the bench" backTo="/bench">
        <Words color="stop">{asked.says}</Words>
      </PrintPage>
    );
  }
  const chosen = BARRING_METHODS.find((each) => each === method) ?? 'two-position';
  const { sheet } = asked;
  return (
    <PrintPage back="Back to the chart" backTo={chartAddress('chart', asked)}>
      <Stack>
        <PrintHead
          title={`Firing order ${sheet.name}`}
          about={`${METHOD_TITLES[chosen]} · a four-stroke, without a sheet`}
        />
        <PlanCard sheet={sheet} plan={planWork(sheet, { method: chosen })} />
        <AssumedLobes sheet={sheet} />
        <Words as="strong">
          Settings, temperature and torque are in the maker’s current manual, and only there.
        </Words>
      </Stack>
    </PrintPage>
  );
}
