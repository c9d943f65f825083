import { isRefused, ordersOffered, readOrder } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../ui/Act';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Fold } from '../../ui/Fold';
import { Row, Stack } from '../../ui/Panel';
import { space } from '../../theme/tokens';
import { Tiles } from '../../ui/Tiles';
import { Words } from '../../ui/Words';

/** Cylinders that can be tapped; a longer order is typed. */
const TAPPED = Array.from({ length: 12 }, (_, i) => i + 1);

/** A firing order, typed or tapped cylinder by cylinder, or one that is often met. */
export function QuickOrder({ onChart }: { onChart: (order: readonly number[]) => void }) {
  const [text, setText] = useState('');
  const answer = readOrder(text);
  const order = 'order' in answer ? answer.order : undefined;
  const tapped = (text.match(/\d+/g) ?? []).map(Number);
  const wrong = text.trim() === '' || order ? undefined : isRefused(answer) && answer.says;
  return (
    <Stack>
      <Field
        label="Firing order, as 1-5-3-6-2-4"
        name="Firing order"
        inputMode="text"
        value={text}
        onChange={setText}
        error={wrong || undefined}
        onSubmitEditing={() => order && onChart(order)}
      />
      <View role="group" aria-label="Tap the cylinders as they fire">
        <Tiles columns={4}>
          {TAPPED.map((cylinder) => (
            <Choice
              key={cylinder}
              several
              label={String(cylinder)}
              name={`Cylinder ${cylinder}`}
              chosen={tapped.includes(cylinder)}
              onPress={() => setText(tappedOn(tapped, cylinder).join('-'))}
            />
          ))}
        </Tiles>
      </View>
      <Act
        weight="primary"
        label={order ? `Show the chart of ${order.join('-')}` : 'Show the chart'}
        disabled={!order}
        onPress={() => order && onChart(order)}
      />
      <Fold title="Often met" holds="In-line engines of two to eight cylinders">
        <Row style={styles.orders}>
          {ordersOffered().map((each) => (
            <View key={each.join()} style={styles.order}>
              <Act label={each.join('-')} onPress={() => onChart(each)} />
            </View>
          ))}
        </Row>
      </Fold>
      <Words as="note" color="secondInk">
        For a four-stroke, with typical lobes: it tells positions, no setting. The figures are in
        the maker’s manual.
      </Words>
    </Stack>
  );
}

/** One more cylinder fires; one that was tapped already is taken out. */
function tappedOn(order: readonly number[], cylinder: number): number[] {
  return order.includes(cylinder)
    ? order.filter((each) => each !== cylinder)
    : [...order, cylinder];
}

const styles = StyleSheet.create({
  orders: { flexWrap: 'wrap' },
  order: { flexGrow: 1, flexBasis: 150, marginBottom: space.hair },
});
