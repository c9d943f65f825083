import type { JobCheck, MachineDetail } from '@longbar/core';
import { adjusterName, adjustersOf, formatMillimetres, measureOf, readId } from '@longbar/core';
import { useState } from 'react';
import { Pressable, StyleSheet, useWindowDimensions, View } from 'react-native';
import { useChecksQuery, useMachineQuery } from '../../state/api';
import { Act } from '../../ui/Act';
import { Spread, Stack } from '../../ui/Panel';
import { radius, space, WIDE } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { DriftChart } from './DriftChart';
import { leavesWords, rateWords, recheckWords } from './driftWords';
import { Findings } from './Findings';
import type { Drift } from './useDrift';
import { useDrift } from './useDrift';

/** How every valve of a machine drifts: what is moving, how fast, and when to look again. */
export function DriftScreen({ id }: { id: string }) {
  const machine = useMachineQuery(id);
  const checks = useChecksQuery(id);
  const [data, past] = [machine.data, checks.data];
  const silent = (machine.isError && !data) || (checks.isError && !past);
  const askAgain = () => void Promise.all([machine.refetch(), checks.refetch()]);
  return (
    <Frame title="Drift" aside={data?.name} back={`/machines/${id}`}>
      {silent && <Act label="The server could not be reached. Try again" onPress={askAgain} />}
      {!silent && !(data && past) && <Words color="secondInk">Fetching the machine …</Words>}
      {past?.length === 0 && (
        <Words>No check of this machine is signed yet: nothing can be said of its drift.</Words>
      )}
      {data && past && past.length > 0 && <MachineDrift machine={data} checks={past} />}
    </Frame>
  );
}

function MachineDrift({ machine, checks }: { machine: MachineDetail; checks: JobCheck[] }) {
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const drift = useDrift(machine, checks);
  const { sheet } = drift;
  const kinds = sheet.adjusters.filter((entry) => entry.spec && measureOf(entry) === 'lash');
  const [asked, setAsked] = useState<string>();
  const { findings } = machine;
  const shown = asked ?? drift.forecast?.recheckAt.id ?? findings[0]?.ids[0] ?? 'intake.1';
  const room = Math.min(width, wide ? 1120 : 720) - 2 * (wide ? space.huge + 44 : space.large);
  return (
    <Stack gap={space.large}>
      <Progress drift={drift} />
      {drift.forecast && <Words as="heading">{recheckWords(drift.forecast.recheckAt)}</Words>}
      <Findings findings={findings} />
      <OneLarge {...{ drift }} id={shown} width={room} />
      {kinds.map(({ kind }) => (
        <Stack key={kind} gap={space.small}>
          <Words as="heading">{kind} by cylinder</Words>
          <View style={styles.multiples}>
            {adjustersOf(sheet)
              .filter((each) => each.kind === kind)
              .sort((a, b) => a.cylinder - b.cylinder || a.n - b.n)
              .map(({ id }) => (
                <Small key={id} {...{ drift, id }} chosen={id === shown} onPress={setAsked} />
              ))}
          </View>
        </Stack>
      ))}
      <Words as="note" color="secondInk">
        Round: as found. Square: as set. Dashed red: the limits. Dashed on: where the rate leads in
        1,000 h. Tap one to see it large.
      </Words>
    </Stack>
  );
}

function Progress({ drift }: { drift: Drift }) {
  if (drift.failed !== undefined) {
    return <Words color="stop">The forecast could not be worked out: {drift.failed}</Words>;
  }
  if (drift.forecast) return null;
  if (drift.cancelled) return <Words color="secondInk">Stopped. The checks stand below.</Words>;
  return (
    <Spread>
      <Words role="status">Working out the drift, {Math.round(drift.share * 100)} % …</Words>
      <Act label="Stop" onPress={drift.cancel} />
    </Spread>
  );
}

type OneProps = { drift: Drift; id: string };

function partsOf({ drift, id }: OneProps) {
  const history = drift.histories.find((each) => each.id === id);
  const spec = adjustersOf(drift.sheet).find((each) => each.id === id)?.entry.spec;
  const forecast = drift.forecast?.adjusters.find((each) => each.id === id);
  return { history, spec, forecast };
}

function OneLarge({ width, ...props }: OneProps & { width: number }) {
  const tokens = useTokens();
  const { history, spec, forecast } = partsOf(props);
  if (!history || !spec) return null;
  return (
    <View style={[styles.large, { borderColor: tokens.line, backgroundColor: tokens.sheet }]}>
      <Spread>
        <Words as="heading">{adjusterName(props.id)}</Words>
        <Words color="secondInk">
          {formatMillimetres(spec.low)} to {formatMillimetres(spec.high)} mm
        </Words>
      </Spread>
      {forecast && (
        <Words>
          {rateWords(forecast.rate)}. {leavesWords(forecast.leaves)}
        </Words>
      )}
      <DriftChart
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
      <DriftChart {...{ history, spec, forecast }} width={SMALL - 10} height={54} />
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
