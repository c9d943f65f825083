import { useRouter } from 'expo-router';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Stack } from '../../ui/Panel';
import { LinkRow } from '../../ui/LinkRow';
import { placeOf } from '../../ui/placeOf.web';
import { space, WIDE } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { QuickOrder } from './QuickOrder';
import { SUMS } from './sums';

const PRINTS = [
  {
    to: '/bench/strip',
    title: 'Timing strip',
    detail: 'Once round a pulley, with marks and firing order',
  },
  { to: '/bench/disc', title: 'Degree disc', detail: 'For the nose of the crank' },
  { to: '/bench/blank', title: 'Blank pocket cards', detail: 'To write an engine on' },
];

/** The bench: a chart from a firing order alone, the sums, and what is printed at true size. */
export function BenchScreen() {
  const router = useRouter();
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  return (
    <Frame title="Bench" aside="The sums by themselves: no machine, no signal">
      <View style={wide ? styles.wide : styles.stack}>
        <Stack style={wide ? styles.column : {}}>
          <Words as="heading">Quick chart</Words>
          <QuickOrder
            onChart={(order) => router.push(placeOf(`/bench/chart?order=${order.join('-')}`))}
          />
        </Stack>
        <Stack gap={space.small} style={wide ? styles.column : {}}>
          <Words as="heading">Sums</Words>
          <View role="list" aria-label="Sums">
            {SUMS.map(({ id, title, detail }) => (
              <LinkRow key={id} to={`/bench/${id}`} {...{ title, detail }} />
            ))}
          </View>
          <Words as="heading">To learn</Words>
          <View role="list" aria-label="To learn">
            <LinkRow to="/bench/practice" title="Practice" detail="An engine to make mistakes on" />
            <LinkRow
              to="/bench/why"
              title="Why it works"
              detail="An engine to turn by hand, in seven steps"
            />
          </View>
          <Words as="heading">To print at true size</Words>
          <View role="list" aria-label="To print at true size">
            {PRINTS.map((print) => (
              <LinkRow key={print.to} {...print} />
            ))}
          </View>
        </Stack>
      </View>
    </Frame>
  );
}

const styles = StyleSheet.create({
  wide: { flexDirection: 'row', gap: space.huge, alignItems: 'flex-start' },
  stack: { gap: space.huge },
  column: { flex: 1 },
});
