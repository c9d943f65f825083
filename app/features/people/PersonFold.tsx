import type { PairingPost, Person } from '@longbar/core';
import { formatInstant } from '@longbar/core';
import { useChangePersonMutation, useRevokePhoneMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { AskFirst } from '../../ui/AskFirst';
import { Fold } from '../../ui/Fold';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { ROLE_WORDS, RoleChoice } from './RoleChoice';

type Props = {
  person: Person;
  mine: string | undefined;
  onPair: (whose: PairingPost, name: string) => Promise<boolean>;
};

/** One person: role, phones, and that they have left. */
export function PersonFold({ person, mine, onPair }: Props) {
  const { id, name, role, phones } = person;
  const [change, { isLoading, error }] = useChangePersonMutation();
  const [may] = ROLE_WORDS[role];
  const count = phones.length === 1 ? 'one phone' : `${phones.length} phones`;
  return (
    <Fold title={name} holds={`${may}, ${phones.length === 0 ? 'no phone yet' : count}`}>
      <Stack gap={space.small}>
        <RoleChoice role={role} onChoose={(next) => void change({ id, patch: { role: next } })} />
        {phones.map((phone) => (
          <PhoneLine key={phone.id} phone={phone} isMine={phone.id === mine} />
        ))}
        <Act label={`Pair a phone for ${name}`} onPress={() => void onPair({ person: id }, name)} />
        {person.pin && (
          <Act
            label="Their PIN is forgotten: ask for none"
            onPress={() => void change({ id, patch: { pin: null } })}
          />
        )}
        <AskFirst
          label={`${name} has left`}
          question="Their phones are let go. What they did stays theirs."
          no="Not so"
          yes={`${name} has left`}
          weight="stop"
          busy={isLoading}
          onYes={() => void change({ id, patch: { retired: true } })}
          refusal={error && refusalOf(error).message}
        />
      </Stack>
    </Fold>
  );
}

function PhoneLine({ phone, isMine }: { phone: Person['phones'][number]; isMine: boolean }) {
  const [revoke, { isLoading, error }] = useRevokePhoneMutation();
  const seen = phone.seenAt === null ? '' : `, last here ${formatInstant(phone.seenAt)}`;
  return (
    <Stack gap={space.small}>
      <Words as="note">
        {isMine ? 'This phone, paired' : 'Paired'} {formatInstant(phone.pairedAt)}
        {seen}
      </Words>
      {!isMine && (
        <AskFirst
          label="Let this phone go"
          question="It reads and writes nothing here any more. What it has not sent stays on it."
          no="Keep it"
          yes="Let it go"
          weight="stop"
          busy={isLoading}
          onYes={() => void revoke(phone.id)}
          refusal={error && refusalOf(error).message}
        />
      )}
    </Stack>
  );
}
