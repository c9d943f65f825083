import type { BarringPlan, EngineSheet, Refused, Stop } from '@longbar/core';
import {
  barSums,
  describeFeel,
  describeSet,
  describeWatch,
  isRefused,
  rockersToFeel,
} from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { LeftOver } from './LeftOver';

type Props = { sheet: EngineSheet; plan: BarringPlan | Refused };

/** The stops of a plan as they stand on a pocket card: where, what is seen, set and felt there. */
export function PlanCard({ sheet, plan }: Props) {
  if (isRefused(plan)) return <Words color="stop">{plan.says}</Words>;
  return (
    <>
      {plan.stops.map((stop, i) => (
        <CardStop key={i} {...{ sheet, stop, i }} />
      ))}
      {plan.rule && <Words as="strong">Valve set and valve down add up to {plan.rule.sum}.</Words>}
      <LeftOver leftOver={plan.leftOver} />
    </>
  );
}

function CardStop({ sheet, stop, i }: { sheet: EngineSheet; stop: Stop; i: number }) {
  const tokens = useTokens();
  const sense = sheet.rotation?.sense ?? 'in its normal direction';
  const { ratio } = sheet.barring ?? {};
  const turns = [`${Math.round(stop.turn)}° ${sense}`];
  for (const { says } of barSums(stop.turn, { ratio })) turns.push(says);
  const way = i === 0 ? 'Begin' : turns.join(', ');
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
