import type { BarringMethod } from '@longbar/core';
import { BARRING_METHODS, isRefused, planBarring, readGaps } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { useCrank } from '../../drawing/crank';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Fold } from '../../ui/Fold';
import { OneOf } from '../../ui/OneOf';
import { Stack } from '../../ui/Panel';
import { placeOf } from '../../ui/placeOf.web';
import { space, WIDE } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { AssumedLobes } from '../shared/AssumedLobes';
import { EngineView } from '../sheets/EngineView';
import { placedOn } from '../sheets/placedOn';
import { PlanView } from '../sheets/PlanView';
import type { ChartAsked, ChartQuery } from './chartAsked';
import { chartAddress, chartAsked } from './chartAsked';
import { WhyPlaced } from './WhyPlaced';

/** The stops of every method for a firing order, and why each valve is where it is. */
export function ChartScreen({ order, form, gaps }: ChartQuery) {
  const asked = useMemo(() => chartAsked({ order, form, gaps }), [order, form, gaps]);
  if (isRefused(asked)) {
    return (
      <Frame title="Quick chart" back="/bench">
        <Words as="strong" color="stop">
          {asked.says}
        </Words>
      </Frame>
    );
  }
  return <Chart asked={asked} />;
}

/** Without a manual at hand there is no manual’s chart. */
const DERIVED = BARRING_METHODS.filter((method) => method !== 'manual');

function Chart({ asked }: { asked: ChartAsked }) {
  const { sheet } = asked;
  const router = useRouter();
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const crank = useCrank();
  const [method, setMethod] = useState<BarringMethod>('two-position');
  const plan = useMemo(() => planBarring(sheet, { method }), [sheet, method]);
  const stops = isRefused(plan) ? [] : plan.stops.map(({ at }) => at);
  const placed = isRefused(plan) ? [] : placedOn(plan);
  const room = Math.min(width, wide ? 1120 : 720) - (wide ? 88 + 2 * space.huge : 2 * space.large);
  const left = wide ? Math.floor(room * 0.55) : room;
  const go = (address: string) => router.push(placeOf(address));
  return (
    <Frame title={sheet.name} aside="Quick chart of a four-stroke" back="/bench">
      <View style={wide ? styles.wide : styles.stack}>
        <Stack gap={space.large} style={wide ? styles.column : {}}>
          <PlanView
            {...{ sheet, method, plan }}
            methods={DERIVED}
            onMethod={setMethod}
            onTurn={crank.turn}
          />
          {!isRefused(plan) && <WhyPlaced {...{ sheet, plan }} onTurn={crank.turn} />}
          <Act
            label="Pocket card to print"
            icon="print"
            onPress={() => go(chartAddress('card', asked, `&method=${method}`))}
          />
          <Act
            label="Timing strip of this order"
            icon="print"
            onPress={() => go(chartAddress('strip', asked))}
          />
          <Stands asked={asked} />
        </Stack>
        <View style={{ width: left }}>
          <AssumedLobes sheet={sheet} />
          <EngineView {...{ sheet, crank, stops, placed }} width={left} />
        </View>
      </View>
    </Frame>
  );
}

const FORMS = [
  ['in-line', 'In line'],
  ['vee-alternating', 'Vee, numbered across'],
  ['vee-by-bank', 'Vee, bank by bank'],
] as const;

/** How the cylinders stand, and the angles between firings where they are not alike. */
function Stands({ asked }: { asked: ChartAsked }) {
  const router = useRouter();
  const [gaps, setGaps] = useState(asked.gaps);
  const read = readGaps(gaps, asked.order.length);
  const wrong = read && isRefused(read) ? read.says : undefined;
  const show = (next: Partial<ChartAsked>) =>
    router.replace(placeOf(chartAddress('chart', { ...asked, ...next })));
  return (
    <Fold title="The engine is another" holds="A vee, or one that fires unevenly">
      <OneOf
        name="How the cylinders stand"
        options={FORMS}
        chosen={asked.form}
        onChoose={(form) => show({ form })}
      />
      <Field
        label="Degrees from firing to firing"
        inputMode="text"
        value={gaps}
        onChange={setGaps}
        error={wrong}
      />
      <Words as="note">As 90 150 90 150 90 150; empty where all are alike.</Words>
      <Act label="Chart it so" disabled={wrong !== undefined} onPress={() => show({ gaps })} />
    </Fold>
  );
}

const styles = StyleSheet.create({
  wide: { flexDirection: 'row', gap: space.huge, alignItems: 'flex-start' },
  stack: { gap: space.large },
  column: { flex: 1 },
});
