import type { CompanyShop } from '@longbar/core';
import { adjusterName } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { useTokens } from '../../theme/ThemeProvider';
import { radius, space } from '../../theme/tokens';
import { Spread, Stack } from '../../ui/Panel';
import { webStyle } from '../../ui/webStyle.web';
import { Words } from '../../ui/Words';
import { DueBar } from '../yard/DueBar';
import { dueWords } from '../yard/dueWords';
import { URGENCY_WORDS } from '../yard/yardColumns';
import { byDrift, countOf, countWords, plannedWeeks, pressingOf } from './companyWords';

/** So many of the most pressing are told; the rest are counted. */
const TOLD = 5;

type Props = { shop: CompanyShop; weeks: readonly string[]; today: string };

/** One shop beside the others: how pressing its checks are, what is planned, what drifts. */
export function ShopCard({ shop, weeks, today }: Props) {
  const tokens = useTokens();
  return (
    <View
      style={[styles.card, { backgroundColor: tokens.sheet, borderColor: tokens.line }]}
      aria-label={shop.name}
      role="group"
    >
      <Spread>
        <Words as="heading">{shop.name}</Words>
        <Words as="note" color="secondInk">
          {countWords(shop.machines.length, 'machine')}
        </Words>
      </Spread>
      {shop.machines.length === 0 ? (
        <Words>It has no machines yet.</Words>
      ) : (
        <WhatIsDue shop={shop} weeks={weeks} today={today} />
      )}
    </View>
  );
}

function WhatIsDue({ shop, weeks, today }: Props) {
  const pressing = pressingOf(shop, today);
  const more = pressing.length - TOLD;
  return (
    <>
      <View style={styles.counts}>
        {(['overdue', 'soon', 'later', 'unknown'] as const).map((urgency) => (
          <View key={urgency} style={styles.count}>
            <Words
              as="figure"
              color={urgency === 'overdue' && countOf(shop, urgency) > 0 ? 'stop' : 'ink'}
            >
              {String(countOf(shop, urgency))}
            </Words>
            <Words as="note" color="secondInk">
              {URGENCY_WORDS[urgency]}
            </Words>
          </View>
        ))}
      </View>
      <Part title="Due">
        {pressing.length === 0 && <Words>Nothing is overdue or soon.</Words>}
        {pressing.slice(0, TOLD).map(({ id, name, due, interval }) => {
          const words = dueWords(due, interval, today);
          return (
            <Stack key={id} gap={0}>
              <Spread>
                <Words as="strong">{name}</Words>
                <Words color={words.overdue ? 'stop' : 'ink'}>{words.figure}</Words>
              </Spread>
              <DueBar due={words} />
            </Stack>
          );
        })}
        {more > 0 && <Words as="note">{`and ${countWords(more, 'machine')} more`}</Words>}
      </Part>
      <Part title="Planned">
        <Planned shop={shop} weeks={weeks} />
      </Part>
      <Part title="By drift">
        <Drifting shop={shop} today={today} />
      </Part>
    </>
  );
}

function Planned({ shop, weeks }: Pick<Props, 'shop' | 'weeks'>) {
  const planned = plannedWeeks(shop, weeks);
  if (planned.length === 0) return <Words>Nothing is planned.</Words>;
  return planned.map(({ week, says, isOver }) => (
    <Spread key={week}>
      <Words>{week}</Words>
      <Words color={isOver ? 'stop' : 'ink'}>{isOver ? `${says}: too much` : says}</Words>
    </Spread>
  ));
}

function Drifting({ shop, today }: Pick<Props, 'shop' | 'today'>) {
  const drifting = byDrift(shop);
  if (drifting.length === 0) return <Words>No check is due by drift.</Words>;
  return drifting.slice(0, TOLD).map(({ id, name, due, interval, recheck }) => {
    const { figure, overdue } = dueWords(due, interval, today);
    return (
      <Spread key={id}>
        <Words>{recheck ? `${name}, ${adjusterName(recheck.adjuster)}` : name}</Words>
        <Words color={overdue ? 'stop' : 'ink'}>{figure}</Words>
      </Spread>
    );
  });
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Stack gap={space.small}>
      <Words as="note" color="secondInk">
        {title}
      </Words>
      {children}
    </Stack>
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: radius, padding: space.large, gap: space.large },
  counts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  // As wide as its longest word at least.
  count: webStyle({ flexGrow: 1, flexBasis: 0, minWidth: 'min-content' }),
});
