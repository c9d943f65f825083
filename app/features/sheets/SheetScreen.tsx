import type { BarringMethod, EngineSheet, SheetDetail } from '@longbar/core';
import { isRefused, planBarring } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { useSheetQuery } from '../../state/api';
import { useCrank } from '../../drawing/crank';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { space, WIDE } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import { OfferSheet } from '../company/OfferSheet';
import { Frame } from '../frame/Frame';
import { ChartConflicts } from './ChartConflicts';
import { EngineView } from './EngineView';
import { PlanView } from './PlanView';
import { AssumedLobes } from '../shared/AssumedLobes';
import { Coming } from '../shared/Coming';
import { SheetPhotos } from '../shared/SheetPhotos';
import { placedOn } from './placedOn';
import { RetireSheet } from './RetireSheet';
import { May } from '../people/May';
import { useMay } from '../people/useMay';
import { saveSheets } from './saveSheets';
import { SheetFacts } from './SheetFacts';

/** One sheet: the engine to turn, the methods of barring it, and what the manual says. */
export function SheetScreen({ id }: { id: string }) {
  const asked = useSheetQuery(id);
  const { data } = asked;
  // One frame before and after: a finger that rests on a place or on the way back leads there.
  return (
    <Frame
      title={data?.document.name ?? 'Sheet'}
      aside={data && `Revision ${data.revision}`}
      back="/sheets"
    >
      {data ? <Sheet sheet={data} /> : <Coming what="the sheet" of={asked} />}
    </Frame>
  );
}

function Sheet({ sheet: detail }: { sheet: SheetDetail }) {
  const { id, document: sheet } = detail;
  const router = useRouter();
  const isForeman = useMay('foreman');
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const crank = useCrank();
  const [problem, setProblem] = useState<string>();
  const save = () =>
    saveSheets(sheet.name, [id]).then(
      () => setProblem(undefined),
      (error) => setProblem(error instanceof Error ? error.message : String(error)),
    );
  const [method, setMethod] = useState<BarringMethod>(() => firstMethod(sheet));
  const plan = useMemo(() => planBarring(sheet, { method }), [sheet, method]);
  const angles = useMemo(() => (isRefused(plan) ? [] : plan.stops.map((stop) => stop.at)), [plan]);
  const placed = useMemo(() => (isRefused(plan) ? [] : placedOn(plan)), [plan]);
  const room = Math.min(width, wide ? 1120 : 720) - (wide ? 88 + 2 * space.huge : 2 * space.large);
  const left = wide ? Math.floor(room * 0.6) : room;
  return (
    <View style={wide ? styles.wide : styles.stack}>
      <View style={{ width: left }}>
        <EngineView sheet={sheet} crank={crank} stops={angles} placed={placed} width={left} />
      </View>
      <Stack gap={space.large} style={wide ? styles.column : {}}>
        <AssumedLobes sheet={sheet} />
        <PlanView {...{ sheet, method, plan }} onMethod={setMethod} onTurn={crank.turn} />
        <May role="technician">
          <ChartConflicts id={id} sheet={sheet} />
        </May>
        <Act label="Find where the crank is" onPress={() => router.push(`/sheets/${id}/find`)} />
        <Act
          label="Pocket card to print"
          icon="print"
          onPress={() => router.push(`/sheets/${id}/card?method=${method}`)}
        />
        <SheetFacts sheet={sheet} />
        <SheetPhotos sheet={sheet} />
        <May role="technician">
          <Act
            label="Change the sheet"
            icon="change"
            onPress={() => router.push(`/sheets/${id}/edit`)}
          />
        </May>
        <Act
          label="Revisions, and what changed"
          icon="revisions"
          onPress={() => router.push(`/sheets/${id}/revisions`)}
        />
        <Act label="Save the sheet as a file" icon="save" onPress={() => void save()} />
        {problem !== undefined && (
          <Words color="stop" role="alert">
            {problem}
          </Words>
        )}
        {isForeman && <OfferSheet id={id} name={sheet.name} />}
        {isForeman && <RetireSheet sheet={detail} />}
      </Stack>
    </View>
  );
}

function firstMethod(sheet: EngineSheet): BarringMethod {
  return sheet.chart?.length ? 'manual' : sheet.cycle === 4 ? 'two-position' : 'each';
}

const styles = StyleSheet.create({
  wide: { flexDirection: 'row', gap: space.huge, alignItems: 'flex-start' },
  stack: { gap: space.large },
  column: { flex: 1 },
});
