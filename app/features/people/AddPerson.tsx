import type { Role } from '@longbar/core';
import { useState } from 'react';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Row, Stack } from '../../ui/Panel';
import { RoleChoice } from './RoleChoice';

type Props = {
  busy: boolean;
  onAdd: (person: { name: string; role: Role }) => Promise<boolean>;
};

/** Somebody new: a name and a role, then the code for their phone. */
export function AddPerson({ busy, onAdd }: Props) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('technician');
  if (!open) return <Act label="Add a person" icon="add" onPress={() => setOpen(true)} />;
  const add = async () => {
    if (!(await onAdd({ name: name.trim(), role }))) return;
    setOpen(false);
    setName('');
  };
  return (
    <Stack gap={space.small}>
      <Field label="Their name" value={name} onChange={setName} autoFocus />
      <RoleChoice role={role} onChoose={setRole} />
      <Row>
        <Act label="Cancel" style={{ flex: 1 }} onPress={() => setOpen(false)} />
        <Act
          weight="primary"
          label="Show their code"
          style={{ flex: 1 }}
          disabled={busy || name.trim() === ''}
          onPress={() => void add()}
        />
      </Row>
    </Stack>
  );
}
