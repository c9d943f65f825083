import { formatInstant } from '@longbar/core';
import { useEffect } from 'react';
import { View } from 'react-native';
import { Dialog, Portal } from 'react-native-paper';
import { useDispatch } from 'react-redux';
import type { Held } from '../../phone/phoneDatabase';
import { phoneChanged } from '../../state/phone';
import { useAppSelector } from '../../state/store';
import { useSync } from '../../sync/SyncProvider';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Words } from '../../ui/Words';
import { screen } from '../screens/screen';
import { NEARLY_FULL, useUnsentWords } from './unsentWords';

/** What is not sent, at length, over whatever page it was asked for on. */
export function UnsentDialog() {
  const dispatch = useDispatch();
  const isAsked = useAppSelector((state) => state.phone.tellsUnsent);
  const words = useUnsentWords()?.words;
  const close = () => dispatch(phoneChanged({ tellsUnsent: false }));
  const isOver = isAsked && words === undefined;
  // Once all is sent it is closed for good, and does not come back with the next tap.
  useEffect(() => {
    if (isOver) dispatch(phoneChanged({ tellsUnsent: false }));
  }, [isOver, dispatch]);
  return (
    <Portal>
      <Dialog visible={isAsked && words !== undefined} onDismiss={close}>
        <Dialog.Title>{words}</Dialog.Title>
        <Dialog.Content>
          <Explanation />
        </Dialog.Content>
        <Dialog.Actions>
          <Act label="Close" onPress={close} />
        </Dialog.Actions>
      </Dialog>
    </Portal>
  );
}

/** What waits, a line for each reason. */
function heldWords(held: readonly Held[]): string[] {
  const counts = new Map<string, number>();
  for (const { why } of held) counts.set(why, (counts.get(why) ?? 0) + 1);
  return [...counts].map(([why, count]) => `${count} ${count === 1 ? 'waits' : 'wait'}: ${why}`);
}

/** What is kept here and not sent: on its way, or waiting for what the server cannot take yet. */
function Waiting() {
  const sync = useSync();
  const { count, since, reachable, held } = useAppSelector((state) => state.jobs.unsent);
  const unpaired = useAppSelector((state) => state.phone.unpaired);
  const going = count - held.length;
  return (
    <>
      {going > 0 && (
        <Words>
          {going} kept on this phone{since ? ` since ${formatInstant(since)}` : ''},
          {unpaired
            ? ' not sent yet: this phone is not paired. A foreman pairs it again.'
            : reachable
              ? ' on the way to the server.'
              : ' the server could not be reached. It is tried again by itself.'}
        </Words>
      )}
      {held.length > 0 && (
        <Words>
          Kept on this phone, and not taken by the server yet. It is tried again by itself:
        </Words>
      )}
      {heldWords(held).map((line) => (
        <Words key={line} as="note">
          · {line}
        </Words>
      ))}
      <Act label="Send now" icon="unsent" onPress={() => void sync.send()} />
    </>
  );
}

/** What the server refused, told by whoever reads journals. */
const Refused = screen((all) => all.Refused, RefusedInShort);

function RefusedInShort() {
  return <Words>What the server refused is kept here, and the rest went on.</Words>;
}

function Explanation() {
  const unsent = useAppSelector((state) => state.jobs.unsent);
  const storeFailed = useAppSelector((state) => state.jobs.storeFailed);
  const { unpaired, nearlyFull } = useAppSelector((state) => state.phone);
  return (
    <View style={{ gap: space.medium }}>
      {storeFailed !== null && (
        <Words color="stop">{storeFailed} Do not go on until it is mended.</Words>
      )}
      {unsent.count > 0 && <Waiting />}
      {unsent.aside.length > 0 && <Refused />}
      {unsent.count === 0 && unpaired && (
        <Words>This phone is not paired. A foreman pairs it again.</Words>
      )}
      {nearlyFull && <Words>{NEARLY_FULL}</Words>}
    </View>
  );
}
