import type { HoursPost } from '@longbar/core';
import { localDay, readNumber } from '@longbar/core';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { Controller, useForm } from 'react-hook-form';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import { useAddHoursMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { Act } from '../../theme/Act';
import { Field } from '../../theme/Field';
import { Row } from '../../theme/Panel';
import { Words } from '../../theme/Words';
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

/** Adds today's reading of the hour meter; what the server doubts stands beside the field. */
export function HoursForm({ machine }: { machine: string }) {
  const [addHours, { isLoading, isSuccess }] = useAddHoursMutation();
  const { control, handleSubmit, reset, setError } = useForm<Form, unknown, Hours>({
    resolver: valibotResolver(FormSchema),
    defaultValues: { hours: '' },
  });
  const [doubted, setDoubted] = useState(false);
  const send = (more: Pick<HoursPost, 'replaced' | 'sure'> = {}) =>
    handleSubmit(async ({ hours }) => {
      const reading = { date: localDay(new Date()), hours, ...more };
      const answer = await addHours({ machine, reading });
      setDoubted(answer.error !== undefined);
      if (answer.error === undefined) return reset();
      setError('hours', { message: refusalOf(answer.error).message });
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
      <Act
        label={isLoading ? 'Adding …' : 'Add the reading'}
        icon="add"
        disabled={isLoading}
        onPress={() => void send()}
      />
      {doubted && (
        <Row>
          <Act
            label="It reads so"
            name="It reads so: looked at again"
            style={styles.grow}
            onPress={() => void send({ sure: true })}
          />
          <Act
            label="New meter"
            name="The meter was replaced or reset"
            style={styles.grow}
            onPress={() => void send({ replaced: true })}
          />
        </Row>
      )}
      {isSuccess && (
        <Words as="note" role="status">
          Added.
        </Words>
      )}
    </View>
  );
}

const styles = StyleSheet.create({ form: { gap: space.small }, grow: { flex: 1 } });
