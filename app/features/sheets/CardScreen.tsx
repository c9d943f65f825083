import type { BarringMethod, EngineSheet, Stop } from '@longbar/core';
import {
  BARRING_METHODS,
  describeFeel,
  describeSet,
  describeWatch,
  isRefused,
  planWork,
  rockersToFeel,
  toolTurns,
  METHOD_TITLES,
} from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { useSheetQuery } from '../../state/api';
import { Stack } from '../../ui/Panel';
import { space } from '../../theme/tokens';
import { PrintHead, PrintPage } from '../../ui/PrintPage';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
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
      {isRefused(plan) ? (
        <Words color="stop">{plan.refused}</Words>
      ) : (
        plan.stops.map((stop, i) => <CardStop key={i} {...{ sheet, stop, i }} />)
      )}
      {!isRefused(plan) && plan.rule && (
        <Words as="strong">Valve set and valve down add up to {plan.rule.sum}.</Words>
      )}
      {!isRefused(plan) &&
        plan.leftOver.map(({ id, reason }) => (
          <Words key={id} as="note">
            Left over: {id.replace('.', ' ')}. {reason}
          </Words>
        ))}
      <SheetFacts sheet={sheet} />
    </Stack>
  );
}

function CardStop({ sheet, stop, i }: { sheet: EngineSheet; stop: Stop; i: number }) {
  const tokens = useTokens();
  const sense = sheet.rotation?.sense ?? 'in its normal direction';
  const ratio = sheet.barring?.ratio;
  const turns =
    ratio === undefined ? '' : `, ${toolTurns(stop.turn, ratio).toFixed(1)} turns of the tool`;
  const way = i === 0 ? 'Begin' : `${Math.round(stop.turn)}° ${sense}${turns}`;
  return (
    <View style={[styles.stop, { borderColor: tokens.line }]}>
      <Words as="title" style={styles.number}>
        {i + 1}
      </Words>
      <View style={styles.text}>
        <Words as="strong">
          {way}:{' '}
          {stop.mark === undefined ? `${Math.round(stop.at)}°, no mark` : `mark ${stop.mark}`}
        </Words>
        {stop.watch && <Words>{describeWatch(stop.watch)}</Words>}
        <Words>{stop.set.length ? `Set ${describeSet(stop.set)}.` : 'Nothing is set here.'}</Words>
        <Words as="note" color="secondInk">
          Feel: {describeFeel(rockersToFeel(sheet, stop.at))}
        </Words>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  stop: {
    flexDirection: 'row',
    gap: space.medium,
    borderBottomWidth: 1,
    paddingBottom: space.small,
  },
  number: { width: 36, textAlign: 'center' },
  text: { flex: 1 },
});
