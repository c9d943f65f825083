import { useState } from 'react';
import { useMeQuery } from '../../state/api';
import { useSync } from '../../sync/SyncProvider';
import { AskFirst } from '../../ui/AskFirst';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { May } from './May';
import { OwnPin } from './OwnPin';

/** Whose phone this is, and the end of that; nobody alone is asked. */
export function SignOut() {
  const { data: me } = useMeQuery();
  const sync = useSync();
  const [busy, setBusy] = useState(false);
  const [refusal, setRefusal] = useState<string>();
  if (!me || me.alone) return null;
  const signOut = async () => {
    setBusy(true);
    try {
      await sync.signOut();
      window.location.replace('/');
    } catch (error) {
      setRefusal(error instanceof Error ? error.message : String(error));
      setBusy(false);
    }
  };
  return (
    <Stack>
      <Words as="heading">This phone</Words>
      <Words color="secondInk">It is paired with {me.name}.</Words>
      <May role="technician">
        <OwnPin />
      </May>
      <AskFirst
        label="Sign out of this phone"
        question="It reads and writes nothing here until it is paired again. What was fetched is cleared from it; what it has not sent stays."
        no="Stay"
        yes="Sign out"
        weight="stop"
        busy={busy}
        onYes={() => void signOut()}
        refusal={refusal}
      />
    </Stack>
  );
}
