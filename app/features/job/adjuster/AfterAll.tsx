import type { JobAct } from '@longbar/core';
import { adjusterName } from '@longbar/core';
import { Act } from '../../../ui/Act';

type Props = {
  id: string;
  act: (act: JobAct) => void;
  /** Where several stand below each other, which one it is. */
  named?: boolean;
};

/** Takes up again what was given up. */
export function AfterAll({ id, act, named = false }: Props) {
  const label = 'It can be set after all';
  return (
    <Act
      label={label}
      name={named ? `${adjusterName(id)} can be set after all` : label}
      onPress={() => act({ type: 'adjuster.resumed', adjuster: id })}
    />
  );
}
