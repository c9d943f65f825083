import type { Person } from '@longbar/core';
import { useChangePersonMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Fold } from '../../ui/Fold';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** Who left, and may come back. */
export function PeopleGone({ people }: { people: readonly Person[] }) {
  const [change, { error }] = useChangePersonMutation();
  if (people.length === 0) return null;
  return (
    <Fold
      title="Who has left"
      holds={new Intl.ListFormat('en').format(people.map(({ name }) => name))}
    >
      <Stack gap={space.small}>
        {people.map(({ id, name }) => (
          <Act
            key={id}
            label={`${name} is back`}
            onPress={() => void change({ id, patch: { retired: false } })}
          />
        ))}
        {error && (
          <Words color="stop" role="alert">
            {refusalOf(error).message}
          </Words>
        )}
      </Stack>
    </Fold>
  );
}
