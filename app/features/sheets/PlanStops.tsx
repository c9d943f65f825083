import type { BarringPlan, Stop } from '@longbar/core';
import { describeSet, describeWatch } from '@longbar/core';
import { Pressable, StyleSheet, View } from 'react-native';
import { Stack } from '../../ui/Panel';
import { radius, space, target } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { LeftOver } from '../shared/LeftOver';

type Props = { plan: BarringPlan; onTurn: (at: number) => void };

/** The stops in order: where, how far, what is set; what no stop serves, and why. */
export function PlanStops({ plan, onTurn }: Props) {
  return (
    <Stack gap={space.small}>
      <Words as="strong">{planWords(plan)}</Words>
      {plan.rule && (
        <Words as="strong">Rule: the valve set and the valve down add up to {plan.rule.sum}.</Words>
      )}
      {plan.stops.map((stop, i) => (
        <StopRow key={i} {...{ stop, i, onTurn }} />
      ))}
      <LeftOver leftOver={plan.leftOver} />
      {plan.atFiring && (
        <Words as="note">
          At firing TDCs instead (
          {plan.atFiring.stops.map(({ at }) => `${Math.round(at)}°`).join(', ')}): as many stops,{' '}
          {Math.round(plan.atFiring.cost)}° less margin, and a TDC can be found without marks.
        </Words>
      )}
    </Stack>
  );
}

function planWords({ stops, totalTurn, smallestMargin, spare }: BarringPlan): string {
  const words = [
    `${stops.length} ${stops.length === 1 ? 'stop' : 'stops'}, ${Math.round(totalTurn)}° of turning.`,
  ];
  if (smallestMargin !== null) words.push(`Smallest margin ${Math.round(smallestMargin)}°.`);
  if (spare !== null && spare > 0)
    words.push(`Good for a cam timed up to ${Math.floor(spare)}° from these figures.`);
  return words.join(' ');
}

type RowProps = { stop: Stop; i: number; onTurn: (at: number) => void };

function StopRow({ stop, i, onTurn }: RowProps) {
  const tokens = useTokens();
  const where = [
    `${Math.round(stop.at)}°`,
    stop.mark === undefined ? 'no mark' : `mark ${stop.mark}`,
  ].join(' · ');
  const way = i === 0 ? 'begin here' : `${Math.round(stop.turn)}° on`;
  return (
    <Pressable
      role="button"
      aria-label={`Turn the engine to stop ${i + 1}, ${where}`}
      onPress={() => onTurn(stop.at)}
      style={[styles.stop, { borderColor: tokens.line, backgroundColor: tokens.sheet }]}
    >
      <Words as="blade" style={styles.number}>
        {i + 1}
      </Words>
      <View style={styles.text}>
        <Words as="strong">
          {where} · {way}
        </Words>
        {stop.watch && <Words as="note">{describeWatch(stop.watch)}</Words>}
        <Words as="note">
          {stop.set.length ? `Set ${describeSet(stop.set)}.` : 'Nothing is set here.'}
        </Words>
      </View>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  stop: {
    flexDirection: 'row',
    gap: space.medium,
    alignItems: 'center',
    borderWidth: 1.2,
    borderRadius: radius,
    padding: space.medium,
    minHeight: target.primary,
  },
  number: { fontSize: 34, lineHeight: 38, width: 30, textAlign: 'center' },
  text: { flex: 1 },
});
