import type { DriftForecast, DriftHistory, EngineSheet } from '@longbar/core';
import {
  adjusterName,
  adjustersOf,
  formatFigure,
  formatSetting,
  measureOf,
  rateToGoBy,
  readId,
} from '@longbar/core';
import { Pressable, StyleSheet, View } from 'react-native';
import { Spread, Stack } from '../../ui/Panel';
import { radius, space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { DriftChartHere } from './DriftChartHere';
import { leavesWords, rateWords } from './driftWords';

/** The figures of an engine over its checks, and where they lead if that is known. */
type Past = {
  sheet: EngineSheet;
  histories: readonly DriftHistory[];
  forecast?: DriftForecast | undefined;
};

/** What the points of a chart mean. */
export const DOTS = 'Round: as found. Square: as set. Dashed red: the limits.';

type MultiplesProps = { past: Past; shown: string | undefined; onShow: (id: string) => void };

/** Every gap over its checks, small, by kind and cylinder: what is unlike the others stands out. */
export function Multiples({ past, shown, onShow }: MultiplesProps) {
  const { sheet } = past;
  const kinds = sheet.adjusters.filter((entry) => entry.spec && measureOf(entry) === 'lash');
  return kinds.map(({ kind }) => (
    <Stack key={kind} gap={space.small}>
      <Words as="heading">{kind} by cylinder</Words>
      <View style={styles.multiples}>
        {adjustersOf(sheet)
          .filter((each) => each.kind === kind)
          .sort((a, b) => a.cylinder - b.cylinder || a.n - b.n)
          .map(({ id }) => (
            <Small key={id} {...{ past, id }} chosen={id === shown} onPress={onShow} />
          ))}
      </View>
    </Stack>
  ));
}

type OneProps = { past: Past; id: string };

function partsOf({ past, id }: OneProps) {
  const history = past.histories.find((each) => each.id === id);
  const spec = adjustersOf(past.sheet).find((each) => each.id === id)?.entry.spec;
  const forecast = past.forecast?.adjusters.find((each) => each.id === id);
  return { history, spec, forecast };
}

/** One of them with figures along both axes. */
export function OneLarge({ width, ...props }: OneProps & { width: number }) {
  const tokens = useTokens();
  const { history, spec, forecast } = partsOf(props);
  if (!history || !spec) return null;
  return (
    <View style={[styles.large, { borderColor: tokens.line, backgroundColor: tokens.sheet }]}>
      <Spread>
        <Words as="heading">{adjusterName(props.id)}</Words>
        <Words color="secondInk">
          {formatFigure('lash', spec.low)} to {formatSetting('lash', spec.high)}
        </Words>
      </Spread>
      {forecast && (
        <Words>
          {rateWords(rateToGoBy(forecast))}. {leavesWords(forecast.leaves)}
        </Words>
      )}
      <DriftChartHere
        {...{ history, spec, forecast }}
        width={width - 2 * space.large}
        height={180}
        large
      />
    </View>
  );
}

type SmallProps = OneProps & { chosen: boolean; onPress: (id: string) => void };

const SMALL = 108;

function Small({ chosen, onPress, ...props }: SmallProps) {
  const tokens = useTokens();
  const { history, spec, forecast } = partsOf(props);
  if (!history || !spec) return null;
  const { id } = props;
  return (
    <Pressable
      role="button"
      aria-label={`Show ${adjusterName(id)} large`}
      aria-pressed={chosen}
      onPress={() => onPress(id)}
      style={[
        styles.small,
        { borderColor: chosen ? tokens.act : tokens.line, backgroundColor: tokens.sheet },
      ]}
    >
      <Words as="label">{shortOf(id)}</Words>
      <DriftChartHere {...{ history, spec, forecast }} width={SMALL - 10} height={54} />
    </Pressable>
  );
}

/** Its cylinder, and which of several. */
function shortOf(id: string): string {
  const { cylinder, n } = readId(id);
  return n === undefined ? String(cylinder) : `${cylinder}.${n}`;
}

const styles = StyleSheet.create({
  multiples: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  large: { borderWidth: 1.5, borderRadius: radius, padding: space.large, gap: space.small },
  small: { width: SMALL, borderWidth: 1.5, borderRadius: 8, padding: 4, minHeight: 88 },
});
