import { formatMillimetres } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Row } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';

type Props = {
  /** The shim that was fitted last time, µm; unknown where nobody wrote it down. */
  known: number | undefined;
  size: number;
  onSize: (size: number) => void;
};

/** Where the wheel begins when nobody wrote down which shim is in, µm. */
export const USUAL_SHIM = 2500;
const STEPS = [-50, -10, 10, 50] as const;

/** The size of the shim that is in the bucket: as last fitted, as marked on it, or by micrometer. */
export function ShimWheel({ known, size, onSize }: Props) {
  return (
    <View style={styles.wheel}>
      <Words as="note" color="secondInk">
        {known === undefined
          ? 'By its mark or a micrometer: the two can differ.'
          : `Fitted last time: ${formatMillimetres(known)} mm. Change it if another is in.`}
      </Words>
      <Row>
        {STEPS.map((step) => (
          <Act
            key={step}
            label={`${step < 0 ? '−' : '+'}${formatMillimetres(Math.abs(step))}`}
            name={`Shim ${step < 0 ? 'thinner' : 'thicker'} by ${formatMillimetres(Math.abs(step))} mm`}
            style={styles.step}
            onPress={() => onSize(Math.max(10, size + step))}
          />
        ))}
      </Row>
    </View>
  );
}

const styles = StyleSheet.create({
  wheel: { gap: space.small },
  step: { flex: 1, paddingHorizontal: 4 },
});
