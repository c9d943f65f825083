import type { EngineSheet, Observation } from '@longbar/core';
import { adjusterName, adjustersOf } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Choice } from '../../theme/Choice';
import { Row, Stack } from '../../theme/Panel';
import { space } from '../../theme/tokens';
import { Words } from '../../theme/Words';

type Props = {
  sheet: EngineSheet;
  cylinder: number;
  observations: readonly Observation[];
  onObserve: (observation: Observation) => void;
};

const STATES = ['loose', 'firm', 'down'] as const;

/** The rockers of one cylinder: loose, firm or fully down; or the cylinder rocking. */
export function CylinderFeel({ sheet, cylinder, observations, onObserve }: Props) {
  const rockers = adjustersOf(sheet).filter(
    ({ kind, cylinder: own, n }) =>
      own === cylinder && n === 1 && (kind === 'intake' || kind === 'exhaust'),
  );
  const rocking: Observation = { cylinder, state: 'rocking' };
  const rocks = observations.some((each) => 'cylinder' in each && each.cylinder === cylinder);
  return (
    <Stack gap={space.small}>
      {rockers.map(({ id }) => (
        <View key={id} style={styles.rocker}>
          <Words as="strong" style={styles.name}>
            {adjusterName(id)}
          </Words>
          <Row style={styles.states}>
            {STATES.map((state) => (
              <Choice
                key={state}
                label={state}
                name={`${adjusterName(id)} ${state}`}
                chosen={observations.some(
                  (each) => 'id' in each && each.id === id && each.state === state,
                )}
                onPress={() => onObserve({ id, state })}
              />
            ))}
          </Row>
        </View>
      ))}
      {sheet.cycle === 4 && (
        <Row>
          <Choice
            label={`No. ${cylinder} rocks at overlap`}
            chosen={rocks}
            onPress={() => onObserve(rocking)}
          />
        </Row>
      )}
    </Stack>
  );
}

const styles = StyleSheet.create({
  rocker: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  name: { width: 104 },
  states: { flex: 1, minWidth: 0 },
});
