import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

type Props = { things: readonly { name: string; why: string }[] };

/** What is kept and cannot be worked out or read: the rest goes on without it. */
export function SetAsideHere({ things }: Props) {
  if (things.length === 0) return null;
  return (
    <Stack gap={6}>
      <Words as="heading">Set aside</Words>
      <Words>These are kept, but cannot be worked out. Everything else goes on without them:</Words>
      {things.map(({ name, why }) => (
        <Words key={`${name} ${why}`} as="note" color="stop">
          · {name}: {why}
        </Words>
      ))}
    </Stack>
  );
}
