import type { AdjusterDrift, DriftHistory, PastJob, Spec } from '@longbar/core';
import {
  adjusterName,
  formatFigure,
  formatHours,
  formatSetting,
  middleOf,
  rateToGoBy,
} from '@longbar/core';
import { View } from 'react-native';
import { LineChart } from 'react-native-gifted-charts';
import { font } from '../../theme/fonts';
import { Spread } from '../../ui/Panel';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { driftAxis } from './driftAxis';

type Props = {
  history: DriftHistory;
  spec: Spec;
  forecast: AdjusterDrift | undefined;
  width: number;
  height: number;
  /** With figures along both axes. */
  large?: boolean;
};

/**
 * One adjuster over its checks: as found and as left in turn, its limits as lines, and dashed
 * where the rate leads. Hours run to the right, evenly from check to check.
 */
export function DriftChart({ history, spec, forecast, width, height, large = false }: Props) {
  const tokens = useTokens();
  const jobs = [...history.jobs].sort((a, b) => a.hours - b.hours);
  const points = jobs.flatMap(({ found, left, ...job }) => {
    const [was, is] = [middleOf(found), middleOf(left)];
    const at = hoursWords(job);
    return [
      ...(was === undefined ? [] : [{ value: was, at, set: false }]),
      ...(is === undefined || is === was ? [] : [{ value: is, at, set: true }]),
    ];
  });
  const inside = width - (large ? 64 : 12);
  const last = points[points.length - 1];
  const rate = forecast ? rateToGoBy(forecast) : null;
  // Nothing leads on from where nobody knows how it was left.
  const stands = jobs.at(-1)?.left;
  const isKnown = stands !== undefined && middleOf(stands) !== undefined;
  const ahead = last && rate !== null && isKnown ? last.value + (rate * AHEAD) / 1000 : undefined;
  const shown = [
    ...points.map((point) => ({ ...point, hidden: false })),
    ...(ahead === undefined ? [] : [{ value: ahead, set: false, hidden: true }]),
  ];
  const { bottom, top, parts } = driftAxis(
    shown.map(({ value }) => value),
    spec,
  );
  const says = `${adjusterName(history.id)}: ${points
    .map(
      ({ value, at, set }) => `${set ? 'left' : 'found'} ${formatFigure('lash', value)} at ${at}`,
    )
    .join(', ')}. Limits ${formatFigure('lash', spec.low)} to ${formatSetting('lash', spec.high)}.`;
  return (
    <View role="img" aria-label={says} style={{ width, overflow: 'hidden' }}>
      <LineChart
        data={shown.map(({ value, set, hidden }) => ({
          hideDataPoint: hidden,
          value: value - bottom,
          dataPointColor: set ? tokens.dab : tokens.enamelInk,
          dataPointRadius: large ? 5 : 3.5,
          dataPointShape: set ? ('rectangular' as const) : ('circular' as const),
          dataPointWidth: large ? 9 : 7,
          dataPointHeight: large ? 9 : 7,
        }))}
        lineSegments={
          ahead === undefined
            ? []
            : [
                {
                  startIndex: points.length - 1,
                  endIndex: points.length,
                  strokeDashArray: [4, 4],
                  color: tokens.act,
                },
              ]
        }
        width={inside}
        height={height}
        spacing={(inside - (large ? 60 : 14)) / Math.max(1, shown.length - 1)}
        initialSpacing={large ? 30 : 10}
        endSpacing={4}
        maxValue={top - bottom}
        noOfSections={large ? parts : 1}
        formatYLabel={(value) => formatFigure('lash', Math.round(Number(value) + bottom))}
        yAxisTextStyle={{ color: tokens.secondInk, fontFamily: font.label, fontSize: 12 }}
        yAxisLabelWidth={large ? LABELS : 0}
        hideYAxisText={!large}
        hideRules
        color={tokens.enamelInk}
        thickness={large ? 2.4 : 1.8}
        yAxisColor={tokens.line}
        xAxisColor={tokens.line}
        showReferenceLine1
        referenceLine1Position={spec.target - bottom}
        referenceLine1Config={{ color: tokens.line, dashWidth: 1, dashGap: 0, thickness: 1 }}
        showReferenceLine2
        referenceLine2Position={spec.high - bottom}
        referenceLine2Config={{ color: tokens.stop, dashWidth: 3, dashGap: 4, thickness: 1.5 }}
        showReferenceLine3
        referenceLine3Position={spec.low - bottom}
        referenceLine3Config={{ color: tokens.stop, dashWidth: 3, dashGap: 4, thickness: 1.5 }}
        isAnimated={false}
        disableScroll
      />
      {large && (
        <Spread style={{ paddingLeft: LABELS }}>
          <Words as="note" color="secondInk">
            {hoursWords(jobs[0])}
          </Words>
          <Words as="note" color="secondInk">
            {hoursWords(jobs.at(-1))}
            {ahead === undefined ? '' : `, and ${formatHours(AHEAD)} h on`}
          </Words>
        </Spread>
      )}
    </View>
  );
}

/** The first and the last check are enough to read the others by. */
function hoursWords(job: Pick<PastJob, 'hours' | 'notRead'> | undefined): string {
  if (!job) return '';
  return job.notRead ? 'hours not read' : `${formatHours(Math.round(job.hours))} h`;
}

/** The room of the figures beside the chart. */
const LABELS = 46;
/** So far ahead the dashed line is drawn, hours. */
const AHEAD = 1000;
