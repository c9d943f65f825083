import type { JobAct } from '@longbar/core';
import { formatMillimetres } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Row } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';

type Props = { id: string; known: number | undefined; act: (act: JobAct) => void };

/** Where the wheel begins when nobody wrote down which shim is in, µm. */
const USUAL = 2500;
const STEPS = [-50, -10, 10, 50] as const;

/** The shim that is in the bucket: as last fitted, as marked on it, or by micrometer. */
export function ShimWheel({ id, known, act }: Props) {
  const [size, setSize] = useState(known ?? USUAL);
  return (
    <View style={styles.wheel}>
      <Words as="note" color="secondInk">
        {known === undefined
          ? 'Shim in it, by its mark or a micrometer. The two can differ.'
          : `Shim fitted last time: ${formatMillimetres(known)} mm. Change it if another is in.`}
      </Words>
      <Row>
        {STEPS.map((step) => (
          <Act
            key={step}
            label={`${step < 0 ? '−' : '+'}${formatMillimetres(Math.abs(step))}`}
            name={`Shim ${step < 0 ? 'thinner' : 'thicker'} by ${formatMillimetres(Math.abs(step))} mm`}
            style={styles.step}
            onPress={() => setSize(Math.max(10, size + step))}
          />
        ))}
      </Row>
      <Act
        weight="primary"
        label={`Shim in it: ${formatMillimetres(size)} mm`}
        onPress={() => act({ type: 'shim.found', adjuster: id, size })}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  wheel: { gap: space.small },
  step: { flex: 1, paddingHorizontal: 4 },
});
