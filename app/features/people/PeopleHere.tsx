import type { Pairing, PairingPost } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useBeginPairingMutation, useMeQuery, usePeopleQuery } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { AddPerson } from './AddPerson';
import { PairingCode } from './PairingCode';
import { PeopleGone } from './PeopleGone';
import { PersonFold } from './PersonFold';

/** The people of the shop and their phones, for a foreman; nobody alone is shown a list. */
export function PeopleHere() {
  const router = useRouter();
  const me = useMeQuery();
  const people = usePeopleQuery(undefined, { refetchOnMountOrArgChange: true });
  const [shown, setShown] = useState<{ pairing: Pairing; whose: string }>();
  const [begin, { isLoading, error }] = useBeginPairingMutation();
  const pairWith = async (whose: PairingPost, name: string) => {
    setShown(undefined);
    const { data } = await begin(whose);
    if (data) setShown({ pairing: data, whose: name });
    return data !== undefined;
  };
  const all = people.data ?? [];
  const here = all.filter(({ retired }) => !retired);
  return (
    <Stack>
      <Words as="heading">People</Words>
      {me.data?.alone ? (
        <Words color="secondInk">
          You work alone here, with one phone. Whoever else is to work in this shop gets a phone
          paired by a code.
        </Words>
      ) : (
        here.map((person) => (
          <PersonFold key={person.id} person={person} mine={me.data?.phone} onPair={pairWith} />
        ))
      )}
      {me.data?.alone && (
        <Act
          label="Pair another phone of mine"
          disabled={isLoading}
          onPress={() => void pairWith({ person: me.data?.id ?? '' }, me.data?.name ?? '')}
        />
      )}
      <AddPerson busy={isLoading} onAdd={(person) => pairWith(person, person.name)} />
      {shown && <PairingCode {...shown} onDone={() => setShown(undefined)} />}
      {error && (
        <Words color="stop" role="alert">
          {refusalOf(error).message}
        </Words>
      )}
      {all.length > 1 && (
        <Act label="What was done, and by whom" onPress={() => router.push('/shop/audit')} />
      )}
      <PeopleGone people={all.filter(({ retired }) => retired)} />
    </Stack>
  );
}
