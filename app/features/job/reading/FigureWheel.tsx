import type { Measure, Reading, Spec } from '@longbar/core';
import {
  formatFigure,
  formatSetting,
  lastPlaceOf,
  middleOf,
  readingFromFigure,
} from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Row } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';

type Props = {
  /** What is asked; the figure stands beside it. */
  question: string;
  measure: Exclude<Measure, 'lash'>;
  spec: Spec;
  reading: Reading | undefined;
  onRead: (reading: Reading) => void;
};

/** So many of the last place that is read. */
const STEPS = [-10, -1, 1, 10] as const;

/** A figure read off a gauge or a wrench: tapped up and down from the nominal, then recorded. */
export function FigureWheel({ question, measure, spec, reading, onRead }: Props) {
  const [figure, setFigure] = useState((reading && middleOf(reading)) ?? spec.target);
  const show = (value: number) => formatSetting(measure, value);
  const place = lastPlaceOf(measure);
  return (
    <View style={styles.wheel}>
      <Row style={styles.asked}>
        <Words as="strong" style={styles.question}>
          {question}
        </Words>
        <Words as="title" role="status">
          {show(figure)}
        </Words>
      </Row>
      <Row>
        {STEPS.map((step) => (
          <Act
            key={step}
            label={`${step < 0 ? '−' : '+'}${formatFigure(measure, Math.abs(step) * place)}`}
            name={`${step < 0 ? 'Less by' : 'More by'} ${show(Math.abs(step) * place)}`}
            style={styles.step}
            onPress={() => setFigure(Math.max(0, figure + step * place))}
          />
        ))}
      </Row>
      <Act
        weight={reading ? 'plain' : 'primary'}
        label={`Read ${show(figure)}`}
        onPress={() =>
          onRead(readingFromFigure(figure, measure === 'preload' ? 'wrench' : 'gauge', place))
        }
      />
    </View>
  );
}

const styles = StyleSheet.create({
  wheel: { gap: space.small },
  // On one line, even on a narrow phone: what records it stays above the foot of a low one.
  asked: { alignItems: 'center', flexWrap: 'nowrap' },
  question: { flex: 1 },
  step: { flex: 1, paddingHorizontal: 4 },
});
