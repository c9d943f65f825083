import { useState } from 'react';
import { useMeQuery, useSetPinMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Fold } from '../../ui/Fold';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { useNamesHere } from './useNamesHere';

/** One's own PIN: asked for before one's name is used on another's phone. */
export function OwnPin() {
  const { data: me } = useMeQuery();
  const names = useNamesHere();
  const [set, { isLoading, error }] = useSetPinMutation();
  const [pin, setPin] = useState('');
  const has = names.some(({ name, pin: asked }) => asked && name === me?.name);
  const save = async (next: string | null) => {
    if (!('error' in (await set(next)))) setPin('');
  };
  return (
    <Fold title="Your PIN" holds={has ? 'asked for before your name is used' : 'none is asked for'}>
      <Stack gap={space.small}>
        <Words as="note">
          Four digits or more. It is asked for when your name is tapped or typed on a phone where
          somebody else works.
        </Words>
        <Field
          label={has ? 'Another PIN' : 'A PIN'}
          value={pin}
          onChange={setPin}
          inputMode="numeric"
          secureTextEntry
          error={error && refusalOf(error).message}
        />
        <Row>
          {has && (
            <Act
              label="No PIN any more"
              disabled={isLoading}
              style={{ flex: 1 }}
              onPress={() => void save(null)}
            />
          )}
          <Act
            label="Keep this PIN"
            disabled={isLoading || pin === ''}
            style={{ flex: 1 }}
            onPress={() => void save(pin)}
          />
        </Row>
      </Stack>
    </Fold>
  );
}
