import type { ReactNode } from 'react';
import { useState } from 'react';
import { Dialog, Portal } from 'react-native-paper';
import { useAppSelector } from '../../state/store';
import { useSync } from '../../sync/SyncProvider';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { usePractising } from '../shared/practising';
import { useNamesHere } from './useNamesHere';

type Asked = { name: string; then: () => void };

/**
 * Asks for somebody's PIN before their name is used on this phone, where they have one: not of who
 * works with it already. `asking` is shown meanwhile.
 */
export function usePinFirst(): {
  pinFirst: (name: string, then: () => void) => void;
  asking: ReactNode;
} {
  const practising = usePractising();
  const names = useNamesHere();
  const present = useAppSelector(({ preferences }) => preferences.name);
  const [asked, setAsked] = useState<Asked>();
  const pinFirst = (name: string, then: () => void) => {
    const same = (other: string) => other.toLowerCase() === name.toLowerCase();
    if (practising || same(present) || !names.some((each) => each.pin && same(each.name)))
      return then();
    setAsked({ name, then });
  };
  const asking = asked && <PinAsked {...asked} onDone={() => setAsked(undefined)} />;
  return { pinFirst, asking };
}

function PinAsked({ name, then, onDone }: Asked & { onDone: () => void }) {
  const sync = useSync();
  const [pin, setPin] = useState('');
  const [why, setWhy] = useState<string>();
  const [busy, setBusy] = useState(false);
  const go = async () => {
    if (busy || pin === '') return;
    setBusy(true);
    const answer = await sync.tryPin(name, pin);
    setBusy(false);
    setPin('');
    if (!answer.right) return setWhy(answer.why);
    onDone();
    then();
  };
  return (
    <Portal>
      <Dialog visible onDismiss={onDone}>
        <Dialog.Title>{name}, your PIN</Dialog.Title>
        <Dialog.Content>
          <Field
            label="PIN"
            value={pin}
            onChange={setPin}
            inputMode="numeric"
            secureTextEntry
            autoFocus
            error={why}
            onSubmitEditing={() => void go()}
          />
        </Dialog.Content>
        <Dialog.Actions>
          <Act label="Not now" onPress={onDone} />
          <Act
            weight="primary"
            label={busy ? 'Looking …' : 'Go on'}
            disabled={busy || pin === ''}
            onPress={() => void go()}
          />
        </Dialog.Actions>
      </Dialog>
    </Portal>
  );
}
