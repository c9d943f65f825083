import {
  firingOf,
  formatRule,
  marksOn,
  OVERLAP,
  rimArc,
  rimOf,
  stripTiles,
  turnMarks,
} from '@longbar/core';
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
import { CheckLine, STRIP_ROOM, StripSheet } from './StripSheet';

/** What a printer leaves white round a sheet, mm. */
const MARGIN = 12;

/** A pulley is so far across, µm. */
const [LEAST, MOST] = [20_000, 2_000_000];

type MeasuredAs = 'across' | 'round';
const MEASURED: readonly [MeasuredAs, string][] = [
  ['across', 'Diameter'],
  ['round', 'Once round'],
];

/** A timing strip once round a pulley, parted over sheets of paper. */
export function StripScreen(query: ChartQuery) {
  const chart = chartNamed(query);
  const [paper, setPaper] = useState<Paper>(usualPaper);
  const [measuredAs, setMeasuredAs] = useState<MeasuredAs>('across');
  const round = measuredAs === 'round';
  const measured = useRule(round ? 'Round the rim' : 'Rim of the pulley, diameter', 200_000);
  const length = measured.value ?? 0;
  const rim = round ? rimOf(length) : length;
  const usable = rim >= LEAST && rim <= MOST;
  const of = `${chart ? `${chart.order.join('-')}, ` : ''}pulley ⌀ ${formatRule(rim)}, ${formatRule(rimArc(360, rim))} round`;
  return (
    <TruePage
      title="Timing strip"
      back={chart ? 'Back to the chart' : 'Back to the bench'}
      backTo={chart ? chartAddress('chart', chart) : '/bench'}
      paper={paper}
      onPaper={setPaper}
      landscape
      pages={usable ? stripPages({ rim, paper, of, chart }) : []}
      size="the line on each sheet is 100 mm"
    >
      <OneOf
        name="What was measured"
        options={MEASURED}
        chosen={measuredAs}
        onChoose={setMeasuredAs}
      />
      <FigureField of={measured} />
      {!usable && (
        <Words as="note">
          A pulley is {formatRule(LEAST)} to {formatRule(MOST)} across.
        </Words>
      )}
      <Words>
        Clean the rim. Lay 0° at the pointer with No. 1 at its top, numbers rising against the way
        the rim moves; each part over the grey of the next. The end meets the beginning, or the
        figure is not the pulley’s. Over a top stand who fires there in the first turn, and who in
        the second.
      </Words>
    </TruePage>
  );
}

type Strip = { rim: number; paper: Paper; of: string; chart: ChartAsked | undefined };

/** The parts of a strip under each other, as many on a sheet as it holds. */
function stripPages({ rim, paper, of, chart }: Strip) {
  const { width, height } = sizeOf(paper, true);
  const marks = turnMarks(chart && firingOf(chart.sheet));
  const tiles = stripTiles(rimArc(360, rim), (width - 2 * MARGIN - 2) * 1000);
  const perSheet = Math.floor((height - 2 * MARGIN - 10) / STRIP_ROOM);
  const sheets = Array.from({ length: Math.ceil(tiles.length / perSheet) }, (_, i) =>
    tiles.slice(i * perSheet, (i + 1) * perSheet),
  );
  return sheets.map((parts, sheet) => (
    <View key={sheet} style={styles.page}>
      <CheckLine />
      {parts.map((tile, i) => (
        <StripSheet
          key={tile.from}
          tile={tile}
          marks={marksOn(marks, rim, tile)}
          of={`Part ${sheet * perSheet + i + 1} of ${tiles.length}: ${of}`}
          overlap={OVERLAP}
          first={tile.from === 0}
        />
      ))}
    </View>
  ));
}

const styles = StyleSheet.create({
  page: { padding: pixels(MARGIN) },
});
