import type { BarringMethod, EngineSheet } from '@longbar/core';
import { BARRING_METHODS, METHOD_TITLES, planWork } from '@longbar/core';
import { useSheetQuery } from '../../state/api';
import { Stack } from '../../ui/Panel';
import { PrintHead, PrintPage } from '../../ui/PrintPage';
import { AssumedLobes } from '../shared/AssumedLobes';
import { Coming } from '../shared/Coming';
import { PlanCard } from '../shared/PlanCard';
import { SheetFacts } from './SheetFacts';

/** One page to print and keep in the pocket: it reads without the application. */
export function CardScreen({ id, method }: { id: string; method: string | undefined }) {
  const asked = useSheetQuery(id);
  const { data } = asked;
  const chosen = BARRING_METHODS.find((each) => each === method) ?? 'each';
  return (
    <PrintPage back="Back to the sheet" backTo={`/sheets/${id}`}>
      {data ? (
        <Card sheet={data.document} revision={data.revision} method={chosen} />
      ) : (
        <Coming what="the sheet" of={asked} />
      )}
    </PrintPage>
  );
}

type CardProps = { sheet: EngineSheet; revision: number; method: BarringMethod };

function Card({ sheet, revision, method }: CardProps) {
  // As a job works it: what no stop of the method serves has a further stop.
  const plan = planWork(sheet, { method });
  return (
    <Stack>
      <PrintHead
        title={sheet.name}
        about={`${METHOD_TITLES[method]} · sheet revision ${revision}`}
      />
      <PlanCard {...{ sheet, plan }} />
      <AssumedLobes sheet={sheet} />
      <SheetFacts sheet={sheet} />
    </Stack>
  );
}
