import type { HoursDoubt, HoursPost, MachineDetail } from '@longbar/core';
import { counted, localDay, questionHours, readNumber } from '@longbar/core';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { Controller, useForm } from 'react-hook-form';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import { useSync } from '../../sync/SyncProvider';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Row } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { space } from '../../theme/tokens';

const FormSchema = v.object({
  hours: v.pipe(
    v.string(),
    v.trim(),
    v.nonEmpty('Type what the hour meter shows.'),
    v.transform((text) => readNumber(text, { groups: true }) ?? NaN),
    v.number('Hours are a number, such as 6612.'),
    v.finite('Hours are a number, such as 6612.'),
    v.minValue(0, 'Hours are not negative.'),
  ),
});
type Form = v.InferInput<typeof FormSchema>;
type Hours = v.InferOutput<typeof FormSchema>;

/**
 * Adds today's reading of the hour meter: kept on this phone and sent when the server is there.
 * What is doubtful about it stands beside the field.
 */
export function HoursForm({ machine }: { machine: MachineDetail }) {
  const sync = useSync();
  const [added, setAdded] = useState(false);
  const { control, handleSubmit, reset, setError } = useForm<Form, unknown, Hours>({
    resolver: valibotResolver(FormSchema),
    defaultValues: { hours: '' },
  });
  const [doubted, setDoubted] = useState<HoursDoubt['doubt']>();
  const send = (more: Pick<HoursPost, 'replaced' | 'sure'> = {}) =>
    handleSubmit(async ({ hours }) => {
      const reading = { date: localDay(new Date()), hours, ...more };
      const doubt = doubtOf(machine, reading);
      setDoubted(doubt?.doubt);
      setAdded(false);
      if (doubt !== undefined) return setError('hours', { message: doubt.says });
      await sync.sayOfMachine({ kind: 'hours', machine: machine.id, reading });
      setAdded(true);
      reset();
    })();
  return (
    <View style={styles.form}>
      <Controller
        control={control}
        name="hours"
        render={({ field: { value, onChange }, fieldState: { error } }) => (
          <Field
            label="Hours on the meter today"
            inputMode="decimal"
            value={value}
            onChange={onChange}
            error={error?.message}
            onSubmitEditing={() => void send()}
          />
        )}
      />
      <Act label="Add the reading" icon="add" onPress={() => void send()} />
      {doubted && (
        <Row>
          {doubted === 'far' && (
            <Act
              label="It reads so"
              name="It reads so: looked at again"
              style={styles.grow}
              onPress={() => void send({ sure: true })}
            />
          )}
          <Act
            label="New meter"
            name="New meter: it was replaced or reset"
            style={styles.grow}
            onPress={() => void send({ replaced: true })}
          />
        </Row>
      )}
      {added && (
        <Words as="note" role="status">
          Added.
        </Words>
      )}
    </View>
  );
}

/** What is doubtful about a reading, as the server would say it; undefined where nothing is. */
function doubtOf(machine: MachineDetail, reading: HoursPost): HoursDoubt | undefined {
  if (reading.replaced) return undefined;
  const doubt = questionHours(reading, counted(machine.readings), machine.meter);
  return doubt?.doubt === 'far' && reading.sure ? undefined : doubt;
}

const styles = StyleSheet.create({ form: { gap: space.small }, grow: { flex: 1 } });
