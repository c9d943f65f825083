import type { Measure, Reading, Spec } from '@longbar/core';
import { formatSetting, middleOf, readingFromFigure } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Row } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';

type Props = {
  measure: Exclude<Measure, 'lash'>;
  spec: Spec;
  reading: Reading | undefined;
  onRead: (reading: Reading) => void;
};

/** Hundredths and tenths of a mm, or of a N·m. */
const STEPS = [-100, -10, 10, 100] as const;

/** A figure read off a gauge or a wrench: tapped up and down from the nominal, then recorded. */
export function FigureWheel({ measure, spec, reading, onRead }: Props) {
  const [figure, setFigure] = useState((reading && middleOf(reading)) ?? spec.target);
  const show = (value: number) => formatSetting(measure, value);
  return (
    <View style={styles.wheel}>
      <Words as="title" role="status" style={styles.centred}>
        {show(figure)}
      </Words>
      <Row>
        {STEPS.map((step) => (
          <Act
            key={step}
            label={`${step < 0 ? '−' : '+'}${formatStep(step)}`}
            name={`${step < 0 ? 'Less by' : 'More by'} ${show(Math.abs(step))}`}
            style={styles.step}
            onPress={() => setFigure(Math.max(0, figure + step))}
          />
        ))}
      </Row>
      <Act
        weight={reading ? 'plain' : 'primary'}
        label={`Read ${show(figure)}`}
        onPress={() =>
          onRead(readingFromFigure(figure, measure === 'preload' ? 'wrench' : 'gauge'))
        }
      />
    </View>
  );
}

function formatStep(step: number): string {
  return Math.abs(step) === 10 ? '0.01' : '0.10';
}

const styles = StyleSheet.create({
  wheel: { gap: space.small },
  centred: { textAlign: 'center' },
  step: { flex: 1, paddingHorizontal: 4 },
});
