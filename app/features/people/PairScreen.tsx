import { useRouter } from 'expo-router';
import { useState } from 'react';
import { usePairMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Words } from '../../ui/Words';
import { DoorPage } from './DoorPage';
import { codeIn, usePaired } from './usePaired';

/** A pairing link was opened on this phone: one tap, and for the first phone of a shop a name. */
export function PairScreen() {
  const [pair, { isLoading, error }] = usePairMutation();
  const router = useRouter();
  const [name, setName] = useState<string>();
  const paired = usePaired();
  const go = async () => {
    if (isLoading || name?.trim() === '') return;
    const code = decodeURIComponent(codeIn(window.location.hash));
    const answer = await pair({ code, ...(name !== undefined && { name }) });
    if (answer.data) await paired(answer.data);
    else if (asksForName(answer.error)) setName((before) => before ?? '');
  };
  const refused = error && !(asksForName(error) && !name) ? refusalOf(error).message : undefined;
  return (
    <DoorPage title="Pair this phone">
      {name === undefined ? (
        <Words>
          From here on this phone may read and write what its person may in this shop. The link
          works once.
        </Words>
      ) : (
        <>
          <Words>Who holds this phone? The name goes on what is done with it.</Words>
          <Field
            label="Your name"
            value={name}
            onChange={setName}
            onSubmitEditing={() => void go()}
            autoFocus
          />
        </>
      )}
      {refused !== undefined && (
        <Words color="stop" role="alert">
          {refused}
        </Words>
      )}
      {refused !== undefined && <Act label="Back" onPress={() => router.replace('/')} />}
      <Act
        weight="primary"
        label={isLoading ? 'Pairing …' : 'Pair this phone'}
        disabled={isLoading || name?.trim() === ''}
        onPress={() => void go()}
      />
    </DoorPage>
  );
}

/** Whether the link is the server's own, which does not know whose phone this is. */
function asksForName(error: object): boolean {
  return refusalOf(error).issues.some(({ path }) => path === 'name');
}
