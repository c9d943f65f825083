import { isRefused, markedIn } from '@longbar/core';
import { StyleSheet } from 'react-native';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Row, Stack } from '../../ui/Panel';
import { RadioGroup } from '../../ui/RadioGroup';
import { useReadOnly } from '../../ui/readOnly';
import { Words } from '../../ui/Words';
import type { SetDraft } from './shopDraft';
import { bladesTyped } from './typedSizes';

type Props = { sets: SetDraft[]; onChange: (sets: SetDraft[]) => void };

const NEW: SetDraft = { name: '', unit: 'mm', forked: false, blades: '' };

/** The blade sets of the shop: their sizes as stamped on them. */
export function BladeSets({ sets, onChange }: Props) {
  const readOnly = useReadOnly();
  const change = (place: number, next: Partial<SetDraft>) =>
    onChange(sets.map((set, i) => (i === place ? { ...set, ...next } : set)));
  return (
    <Stack>
      <Words as="heading">Blade sets</Words>
      {sets.map((set, place) => {
        const typed = bladesTyped(set.blades, set.unit);
        const unit = markedIn(set);
        return (
          <Stack key={place} gap={8}>
            <Field
              label="Name of the set"
              value={set.name}
              onChange={(name) => change(place, { name })}
            />
            <Row>
              <RadioGroup name={`Set ${place + 1}: its unit`} style={styles.units}>
                <Choice
                  label="mm"
                  name={`Set ${place + 1} in mm`}
                  chosen={set.unit === 'mm'}
                  onPress={() => change(place, { unit: 'mm' })}
                />
                <Choice
                  label="thou"
                  name={`Set ${place + 1} in thou`}
                  chosen={set.unit === 'inch'}
                  onPress={() => change(place, { unit: 'inch' })}
                />
              </RadioGroup>
              <Choice
                label="Forked"
                name={`Set ${place + 1} forked, reads a pair at once`}
                several
                chosen={set.forked}
                onPress={() => change(place, { forked: !set.forked })}
              />
            </Row>
            <Field
              label={`Blades in ${unit}`}
              value={set.blades}
              onChange={(blades) => change(place, { blades })}
              multiline
              error={isRefused(typed) ? typed.says : undefined}
            />
            {!readOnly && (
              <>
                <Words as="note" color="secondInk">
                  Spaces between them; a stepped leaf as {unit === 'mm' ? '0.30/0.35' : '12/14'}.
                </Words>
                <Act
                  label={`Take out ${set.name || 'this set'}`}
                  onPress={() => onChange(sets.filter((_, i) => i !== place))}
                />
              </>
            )}
          </Stack>
        );
      })}
      {!readOnly && (
        <Act label="Add a blade set" icon="add" onPress={() => onChange([...sets, NEW])} />
      )}
    </Stack>
  );
}

const styles = StyleSheet.create({
  units: { flexDirection: 'row', flex: 2, gap: space.small },
});
