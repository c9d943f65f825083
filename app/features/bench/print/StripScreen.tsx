import { firingOf, marksOn, OVERLAP, rimArc, rimOf, stripTiles, turnMarks } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Choice } from '../../../ui/Choice';
import { Row } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import type { Paper } from '../../shared/paper';
import { pixels, sizeOf, usualPaper } from '../../shared/paper';
import { TruePage } from '../../shared/TruePage';
import type { ChartAsked, ChartQuery } from '../chartAsked';
import { chartAddress, chartNamed } from '../chartAsked';
import { FigureField, useFigure } from '../figure';
import { CheckLine, STRIP_ROOM, StripSheet } from './StripSheet';

/** What a printer leaves white round a sheet, mm. */
const MARGIN = 12;

/** A timing strip once round a pulley, parted over sheets of paper. */
export function StripScreen(query: ChartQuery) {
  const chart = chartNamed(query);
  const [paper, setPaper] = useState<Paper>(usualPaper);
  const [round, setRound] = useState(false);
  const measured = useFigure(
    round ? 'Round the rim, mm' : 'Rim of the pulley, diameter in mm',
    200,
  );
  const mm = measured.value ?? 0;
  const rim = round ? rimOf(mm * 1000) : Math.round(mm * 1000);
  const usable = rim >= 20_000 && rim <= 2_000_000;
  const of = `${chart ? `${chart.order.join('-')}, ` : ''}pulley ⌀ ${figure.format(rim / 1000)} mm, ${figure.format(rimArc(360, rim) / 1000)} mm round`;
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
      <View role="radiogroup" aria-label="What was measured">
        <Row>
          <Choice label="Diameter" chosen={!round} onPress={() => setRound(false)} />
          <Choice label="Once round" chosen={round} onPress={() => setRound(true)} />
        </Row>
      </View>
      <FigureField of={measured} />
      {!usable && <Words as="note">A pulley is 20 to 2,000 mm across.</Words>}
      <Words>
        Clean the rim. Lay 0° at the pointer with No. 1 at its top, numbers rising against the way
        the rim moves; each part over the grey of the next. The end meets the beginning, or the
        figure is not the pulley’s. Over a top stand who fires there in the first turn, and who in
        the second.
      </Words>
    </TruePage>
  );
}

const figure = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

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
