import type { BarringMethod, EngineSheet } from '@longbar/core';
import { BARRING_METHODS, METHOD_TITLES, planWork } from '@longbar/core';
import { useSheetQuery } from '../../state/api';
import { Stack } from '../../ui/Panel';
import { PrintHead, PrintPage } from '../../ui/PrintPage';
import { Words } from '../../ui/Words';
import { AssumedLobes } from '../shared/AssumedLobes';
import { PlanCard } from '../shared/PlanCard';
import { SheetFacts } from './SheetFacts';

/** One page to print and keep in the pocket: it reads without the application. */
export function CardScreen({ id, method }: { id: string; method: string | undefined }) {
  const { data, isError } = useSheetQuery(id);
  const chosen = BARRING_METHODS.find((each) => each === method) ?? 'each';
  return (
    <PrintPage back="Back to the sheet" backTo={`/sheets/${id}`}>
      {data ? (
        <Card sheet={data.document} revision={data.revision} method={chosen} />
      ) : (
        <Words>
          {isError
            ? 'The server could not be reached, or has no such sheet.'
            : 'Fetching the sheet …'}
        </Words>
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
