import { useState } from 'react';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import type { HookSecret } from './HookForm';
import { HookForm } from './HookForm';
import { HookHere } from './HookHere';
import { useHooksQuery } from './hooksApi';

/** Which programs elsewhere are told of signed records and of checks that fall due. */
export function HooksHere() {
  const { data } = useHooksQuery(undefined, { refetchOnMountOrArgChange: true });
  const [adding, setAdding] = useState(false);
  const [secret, setSecret] = useState<HookSecret>();
  if (!data) return null;
  return (
    <Stack>
      <Words as="heading">Other programs are told</Words>
      <Words as="note" color="secondInk">
        Of each record that is signed, and of each check that is soon or overdue: a program at an
        address of yours gets a signed message, again and again until it takes it.
      </Words>
      {secret && <Secret told={secret} onDone={() => setSecret(undefined)} />}
      {data.map((hook) => (
        <HookHere key={hook.id} hook={hook} onSecret={setSecret} />
      ))}
      {adding ? (
        <HookForm onDone={() => setAdding(false)} onSecret={setSecret} />
      ) : (
        <Act label="Add a program" icon="add" onPress={() => setAdding(true)} />
      )}
    </Stack>
  );
}

function Secret({ told, onDone }: { told: HookSecret; onDone: () => void }) {
  return (
    <Stack gap={space.small}>
      <Words as="strong">The secret of {told.address}, shown this once</Words>
      <Words selectable>{told.secret}</Words>
      <Words as="note" color="secondInk">
        Copy it into the program: by it the program knows that a message is from here.
      </Words>
      <Act label="It is copied" onPress={onDone} />
    </Stack>
  );
}
