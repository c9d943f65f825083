import { useState } from 'react';
import { Act } from '../../../ui/Act';
import { Field } from '../../../ui/Field';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';

type Props = {
  label: string;
  /** The reason that stands already. */
  given: string | undefined;
  onGive: (reason: string) => void;
};

/** Why a gate is not met: the reason stands in the record as a deviation. */
export function Reason({ label, given, onGive }: Props) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  if (given !== undefined) return <Words as="strong">Not met: {given}</Words>;
  if (!open) return <Act label={label} onPress={() => setOpen(true)} />;
  return (
    <Stack>
      <Field label={label} value={text} onChange={setText} autoFocus />
      <Act
        label="Record the reason"
        name={`Record the reason: ${label}`}
        disabled={text.trim() === ''}
        onPress={() => onGive(text.trim())}
      />
    </Stack>
  );
}
