import type { BenchFigures, ShimPlan } from '@longbar/core';
import {
  formatFigure,
  formatLength,
  formatMillimetres,
  FROM_BUY,
  FROM_STOCK,
  lengthFromTyped,
  NEW_SHOP,
  unitsShown,
} from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useShopQuery } from '../../../state/api';
import { Act } from '../../../ui/Act';
import { Field } from '../../../ui/Field';
import { Row, Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { useShimPlan } from '../../job/shims/useShimPlan';
import { BucketSection } from '../drawings/BucketSection';
import { FigureField, useLength } from '../figure';

/** What is typed of one bucket: the shim in it and the gap over it. */
type Typed = { old: string; measured: string };

/** Sizes as they are sold where the shop has said nothing of its own. */
const USUAL = { stock: [], buy: { from: 2000, to: 3500, step: 25 } };

/** A head has no more buckets than this. */
const MOST = 48;

/** New shims for one bucket or for a whole head, whose shims may change places. */
export function ShimsSum({ figures: { spec, measured, shim } }: { figures: BenchFigures }) {
  const low = useLength('Lower limit', spec?.low ?? 180);
  const target = useLength('Wanted gap', spec?.target ?? 230);
  const high = useLength('Upper limit', spec?.high ?? 280);
  // Gaps are read by the shop's blades; shims are sold in mm.
  const unit = unitsShown().length;
  const [buckets, setBuckets] = useState<Typed[]>([
    { old: formatMillimetres(shim ?? 2700), measured: formatFigure('lash', measured ?? 150) },
  ]);
  const { data } = useShopQuery();
  const supply = { ...(data?.shims ?? USUAL), policy: data?.policy ?? NEW_SHOP.policy };
  const limits = { low: low.value ?? NaN, target: target.value ?? NaN, high: high.value ?? NaN };
  const sound =
    limits.low < limits.high && limits.low <= limits.target && limits.target <= limits.high;
  const rows = buckets.flatMap(({ old, measured: gap }, i) => {
    const [was, read] = [lengthFromTyped(old, 'mm'), lengthFromTyped(gap, unit)];
    return was === undefined || read === undefined || !sound
      ? []
      : [{ id: String(i + 1), old: was, measured: read, spec: limits, stop: 0 }];
  });
  const { plan, failed } = useShimPlan(rows, supply);
  const change = (place: number, next: Partial<Typed>) =>
    setBuckets(buckets.map((bucket, i) => (i === place ? { ...bucket, ...next } : bucket)));
  const first = rows[0];
  return (
    <Stack>
      <FigureField of={low} />
      <FigureField of={target} />
      <FigureField of={high} />
      {first && <BucketSection shim={first.old} gap={first.measured} />}
      {buckets.map((bucket, i) => (
        <Row key={i}>
          <View style={styles.field}>
            <Field
              label={`Shim ${i + 1}, mm`}
              inputMode="decimal"
              value={bucket.old}
              onChange={(old) => change(i, { old })}
            />
          </View>
          <View style={styles.field}>
            <Field
              label={`Gap ${i + 1}, ${unit}`}
              inputMode="decimal"
              value={bucket.measured}
              onChange={(gap) => change(i, { measured: gap })}
            />
          </View>
        </Row>
      ))}
      <Row style={styles.acts}>
        <Act
          label="One more bucket"
          icon="add"
          disabled={buckets.length >= MOST}
          onPress={() => setBuckets([...buckets, { old: '', measured: '' }])}
        />
        {buckets.length > 1 && (
          <Act label="Take the last away" onPress={() => setBuckets(buckets.slice(0, -1))} />
        )}
      </Row>
      {!sound && <Words as="note">The wanted gap lies between the two limits.</Words>}
      {failed !== undefined && <Words color="stop">{failed}</Words>}
      {plan && <ShimsOut plan={plan} />}
      <Words as="note" color="secondInk">
        {data?.shims
          ? 'From the shop’s stock and the sizes it buys.'
          : 'From 2.00 to 3.50 mm in steps of 0.025, until the shop says what it has.'}{' '}
        A shim that is taken out may serve elsewhere. Read the size on each shim, and never bar with
        one out.
      </Words>
    </Stack>
  );
}

function ShimsOut({ plan: { rows, buy, outside } }: { plan: ShimPlan }) {
  return (
    <Stack gap={space.small}>
      {rows.map(({ id, old, new: size, from, sum }) => (
        <View key={id}>
          <Words as="heading" role="status">
            {old === size ? `${id}: ${formatLength(old)} stays` : `${id}: ${formatLength(size)}`}
          </Words>
          <Words as="note" color="secondInk">
            {sum}
            {from === id ? '' : `, ${fromWords(from)}`}
          </Words>
        </View>
      ))}
      {outside.length > 0 && (
        <Words as="strong" color="stop">
          No shim at hand or for sale brings {outside.join(', ')} inside its limits.
        </Words>
      )}
      {buy.length > 0 && (
        <Words as="strong">
          To buy: {buy.map(({ size, count }) => `${count} × ${formatLength(size)}`).join(', ')}.
        </Words>
      )}
    </Stack>
  );
}

function fromWords(from: string): string {
  if (from === FROM_STOCK) return 'from stock';
  return from === FROM_BUY ? 'to buy' : `out of bucket ${from}`;
}

const styles = StyleSheet.create({
  field: { flex: 1 },
  acts: { flexWrap: 'wrap' },
});
