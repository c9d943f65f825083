import type { EngineSheet, Observation } from '@longbar/core';
import { StyleSheet } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Stack } from '../../ui/Panel';
import { RadioGroup } from '../../ui/RadioGroup';
import { space } from '../../theme/tokens';
import { Words } from '../../ui/Words';

type Props = {
  sheet: EngineSheet;
  observations: readonly Observation[];
  onObserve: (observation: Observation) => void;
};

/** Which mark stands at the pointer. It tells the crank, not the turn. */
export function MarksSeen({ sheet, observations, onObserve }: Props) {
  if (!sheet.marks?.length) return null;
  return (
    <Stack gap={space.small}>
      <Words as="strong">A mark at the pointer?</Words>
      <RadioGroup name="A mark at the pointer?" style={styles.marks}>
        {sheet.marks.map(({ name }) => (
          <Choice
            key={name}
            label={name}
            name={`Mark ${name} at the pointer`}
            chosen={observations.some((each) => 'mark' in each && each.mark === name)}
            onPress={() => onObserve({ mark: name, state: 'at' })}
          />
        ))}
      </RadioGroup>
    </Stack>
  );
}

const styles = StyleSheet.create({
  marks: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
});
