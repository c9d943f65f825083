import { firingOf, formatRule, SIZES, turnMarks } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { OneOf } from '../../../ui/OneOf';
import { Words } from '../../../ui/Words';
import type { Paper } from '../../shared/paper';
import { pixels, sizeOf, usualPaper } from '../../shared/paper';
import { TruePage } from '../../shared/TruePage';
import type { ChartAsked, ChartQuery } from '../chartAsked';
import { chartAddress, chartNamed } from '../chartAsked';
import { FigureField, useRule } from '../figure';
import { DiscSheet } from './DiscSheet';
import { CheckLine } from './StripSheet';

const MARGIN = 10;
/** A smaller one cannot be read, mm. */
const LEAST = 60;
const SENSES = [
  ['clockwise', 'Turns clockwise'],
  ['counterclockwise', 'Turns counterclockwise'],
] as const;
type Sense = (typeof SENSES)[number][0];

/** A degree disc for the nose of the crank. */
export function DiscScreen(query: ChartQuery) {
  const chart = chartNamed(query);
  const [paper, setPaper] = useState<Paper>(usualPaper);
  const [sense, setSense] = useState<Sense>('clockwise');
  const across = useRule('Across', 180_000);
  const most = Math.floor(sizeOf(paper).width - 2 * MARGIN - 2);
  const mm = (across.value ?? 0) / SIZES.mm;
  const usable = mm >= LEAST && mm <= most;
  return (
    <TruePage
      title="Degree disc"
      back={chart ? 'Back to the chart' : 'Back to the bench'}
      backTo={chart ? chartAddress('chart', chart) : '/bench'}
      paper={paper}
      onPaper={setPaper}
      pages={usable ? [<Disc key="disc" {...{ mm, sense, chart }} />] : []}
      size="the line over it is 100 mm"
    >
      <FigureField of={across} />
      {!usable && (
        <Words as="note">
          This paper holds {formatRule(LEAST * SIZES.mm)} to {formatRule(most * SIZES.mm)}.
        </Words>
      )}
      <OneOf
        name="The crank turns, seen from where the disc is read"
        options={SENSES}
        chosen={sense}
        onChoose={setSense}
      />
      <Words>
        Glue it on card, cut out the middle to fit the bolt, and bend a wire for a pointer. Set 0°
        with No. 1 at its top, found from both sides of a stop.
      </Words>
    </TruePage>
  );
}

type DiscProps = {
  mm: number;
  sense: Sense;
  chart: ChartAsked | undefined;
};

function Disc({ mm, sense, chart }: DiscProps) {
  return (
    <View style={styles.page}>
      <CheckLine />
      <DiscSheet across={mm} marks={turnMarks(chart && firingOf(chart.sheet))} sense={sense} />
    </View>
  );
}

const styles = StyleSheet.create({
  page: { padding: pixels(MARGIN), gap: pixels(6), alignItems: 'center' },
});
