import type { Hook } from '@longbar/core';
import { useState } from 'react';
import { space } from '../../theme/tokens';
import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { FormEnd } from '../shared/FormEnd';
import { useAddHookMutation, useMoveHookMutation } from './hooksApi';

/** The secret of a program, which is told once. */
export type HookSecret = { address: string; secret: string };
type Props = { hook?: Hook; onDone: () => void; onSecret: (told: HookSecret) => void };

/** The address of a program that is told; a new one is sent a test at once. */
export function HookForm({ hook, onDone, onSecret }: Props) {
  const [address, setAddress] = useState(hook?.address ?? '');
  const [add, adding] = useAddHookMutation();
  const [move, moving] = useMoveHookMutation();
  const busy = adding.isLoading || moving.isLoading;
  const error = adding.error ?? moving.error;
  const save = async () => {
    const post = { address: address.trim() };
    if (hook) {
      const moved = await move({ ...post, id: hook.id });
      if (!moved.error) onDone();
      return;
    }
    const added = await add(post);
    if (!added.data) return;
    onSecret({ ...post, secret: added.data.secret });
    onDone();
  };
  return (
    <Stack gap={space.small}>
      <Field label="Address of the program" inputMode="url" value={address} onChange={setAddress} />
      <FormEnd
        label="Save the program"
        busy={busy}
        incomplete={address.trim() === ''}
        error={error}
        onCancel={onDone}
        onSave={() => void save()}
      />
    </Stack>
  );
}
