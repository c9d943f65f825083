import type { BarringPlan, EngineSheet } from '@longbar/core';
import { whyPlaced } from '@longbar/core';
import { useMemo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { target } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Fold } from '../../ui/Fold';
import { Words } from '../../ui/Words';

type Props = { sheet: EngineSheet; plan: BarringPlan; onTurn: (at: number) => void };

/** Why each valve is set at its stop; a tap turns the engine in the drawings there. */
export function WhyPlaced({ sheet, plan, onTurn }: Props) {
  const tokens = useTokens();
  const why = useMemo(() => whyPlaced(sheet, plan), [sheet, plan]);
  return (
    <Fold title="Why each valve is where it is" holds={`${why.length} valves, one by one`}>
      <View role="list">
        {why.map(({ id, at, says }) => (
          <View key={id} role="listitem">
            <Pressable
              role="button"
              aria-label={`${says} Turn the engine there.`}
              onPress={() => onTurn(at)}
              style={[styles.row, { borderColor: tokens.hair }]}
            >
              <Words>{says}</Words>
            </Pressable>
          </View>
        ))}
      </View>
    </Fold>
  );
}

const styles = StyleSheet.create({
  row: { minHeight: target.least, justifyContent: 'center', borderBottomWidth: 1 },
});
