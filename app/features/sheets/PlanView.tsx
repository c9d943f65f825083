import type { BarringMethod, BarringPlan, EngineSheet, Refused } from '@longbar/core';
import { BARRING_METHODS, isRefused, planBarring } from '@longbar/core';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../theme/Act';
import { Choice } from '../../theme/Choice';
import { Stack } from '../../theme/Panel';
import { space } from '../../theme/tokens';
import { Words } from '../../theme/Words';
import { METHOD_TITLES, METHOD_WORDS } from './methodWords';
import { PlanComparison } from './PlanComparison';
import { PlanStops } from './PlanStops';
import { ToolSums } from './ToolSums';

type Props = {
  sheet: EngineSheet;
  method: BarringMethod;
  plan: BarringPlan | Refused;
  onMethod: (method: BarringMethod) => void;
  onTurn: (at: number) => void;
};

/** The stops by one school of the work, and all schools beside each other. */
export function PlanView({ sheet, method, plan, onMethod, onTurn }: Props) {
  const [comparing, setComparing] = useState(false);
  const answers = useMemo(
    () =>
      BARRING_METHODS.map((each) => ({
        method: each,
        answer: planBarring(sheet, { method: each }),
      })),
    [sheet],
  );
  return (
    <Stack>
      <Words as="heading">Where to stop</Words>
      <View style={styles.methods} role="radiogroup" aria-label="School">
        {answers.map(({ method: each }) => (
          <View key={each} style={styles.method}>
            <Choice
              label={METHOD_TITLES[each]}
              chosen={each === method}
              onPress={() => onMethod(each)}
            />
          </View>
        ))}
      </View>
      <Words color="secondInk">{METHOD_WORDS[method]}</Words>
      {isRefused(plan) ? (
        <Words as="strong" color="stop" role="alert">
          {plan.refused}
        </Words>
      ) : (
        <PlanStops plan={plan} onTurn={onTurn} />
      )}
      <Act
        label={comparing ? 'Hide the comparison' : 'Compare the schools'}
        onPress={() => setComparing(!comparing)}
      />
      {comparing && <PlanComparison answers={answers} chosen={method} />}
      {!isRefused(plan) && <ToolSums sheet={sheet} plan={plan} />}
    </Stack>
  );
}

const styles = StyleSheet.create({
  methods: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  method: { flexGrow: 1, flexBasis: 104, flexDirection: 'row' },
});
