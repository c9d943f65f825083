import type { Fleet } from '@longbar/core';
import { readNumber } from '@longbar/core';
import { useState } from 'react';
import { space } from '../../theme/tokens';
import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { FormEnd } from '../shared/FormEnd';
import { useKeepFleetMutation } from './fleetsApi';

type Props = { fleet?: Fleet; onDone: () => void };

/** A telematics service: its address, its key, and how often it is asked. */
export function FleetForm({ fleet, onDone }: Props) {
  const [address, setAddress] = useState(fleet?.address ?? '');
  const [key, setKey] = useState('');
  const [hours, setHours] = useState(String(fleet?.everyHours ?? 6));
  const [keep, { isLoading, error }] = useKeepFleetMutation();
  const everyHours = readNumber(hours) ?? NaN;
  const save = async () => {
    const typed = { address: address.trim(), everyHours, ...(key.trim() && { key: key.trim() }) };
    const kept = await keep({ ...typed, id: fleet?.id });
    if (!kept.error) onDone();
  };
  return (
    <Stack gap={space.small}>
      <Field label="Address of the service" inputMode="url" value={address} onChange={setAddress} />
      <Field
        label={fleet?.hasKey ? 'Key (empty: as it is)' : 'Key'}
        secureTextEntry
        value={key}
        onChange={setKey}
      />
      <Field
        label="Asked every so many hours"
        inputMode="numeric"
        value={hours}
        onChange={setHours}
      />
      <Words as="note" color="secondInk">
        The key is kept on the server and goes to this address alone: as a bearer token, or as it
        stands where it names its kind itself (Basic …).
      </Words>
      <FormEnd
        label="Save the service"
        busy={isLoading}
        incomplete={address.trim() === '' || !(everyHours >= 1)}
        error={error}
        onCancel={onDone}
        onSave={() => void save()}
      />
    </Stack>
  );
}
