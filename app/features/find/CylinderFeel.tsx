import type { EngineSheet, Observation } from '@longbar/core';
import { adjusterName, adjustersOf } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Row, Stack } from '../../ui/Panel';
import { RadioGroup } from '../../ui/RadioGroup';
import { Tiles } from '../../ui/Tiles';
import { space } from '../../theme/tokens';
import { Words } from '../../ui/Words';

type Props = {
  sheet: EngineSheet;
  cylinder: number;
  observations: readonly Observation[];
  onObserve: (observation: Observation) => void;
};

const STATES = ['loose', 'firm', 'down'] as const;

/** The rockers of one cylinder: loose, firm or fully down; turned slowly to a peak, or rocking. */
export function CylinderFeel({ sheet, cylinder, observations, onObserve }: Props) {
  const rockers = adjustersOf(sheet).filter(
    ({ kind, cylinder: own, n, baseCircle }) =>
      own === cylinder && n === 1 && baseCircle && (kind === 'intake' || kind === 'exhaust'),
  );
  const seen = (wanted: Observation) =>
    observations.some((each) => JSON.stringify(each) === JSON.stringify(wanted));
  const said = (observation: Observation) => ({
    chosen: seen(observation),
    onPress: () => onObserve(observation),
  });
  // More than one of these may be so at once.
  const also = (label: string, observation: Observation, name = label) => (
    <Choice key={name} label={label} name={name} several {...said(observation)} />
  );
  return (
    <Stack gap={space.small}>
      {rockers.map(({ id }) => (
        <View key={id} style={styles.rocker}>
          <Words as="strong" style={styles.name}>
            {adjusterName(id)}
          </Words>
          <RadioGroup name={adjusterName(id)} style={styles.states}>
            <Row>
              {STATES.map((state) => {
                const name = `${adjusterName(id)} ${state}`;
                return <Choice key={state} label={state} name={name} {...said({ id, state })} />;
              })}
            </Row>
          </RadioGroup>
        </View>
      ))}
      <Tiles columns={2}>
        {rockers.map(({ id, kind }) =>
          also(
            `${kind} just at its lowest`,
            { id, state: 'peak' },
            `${adjusterName(id)} just at its lowest`,
          ),
        )}
        {sheet.cycle === 4 &&
          also(`No. ${cylinder} rocks at overlap`, { cylinder, state: 'rocking' })}
        {also(`No. ${cylinder} piston at its top`, { cylinder, state: 'top' })}
      </Tiles>
    </Stack>
  );
}

const styles = StyleSheet.create({
  rocker: { flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: space.small },
  name: { width: 104 },
  // On the narrowest screens they stand below the name.
  states: { flex: 1, minWidth: 190 },
});
