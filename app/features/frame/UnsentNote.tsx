import { formatInstant } from '@longbar/core';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Dialog, Portal } from 'react-native-paper';
import { useSync } from '../../sync/SyncProvider';
import type { Held } from '../../phone/phoneDatabase';
import { useMachinesQuery } from '../../state/api';
import { useAppSelector } from '../../state/store';
import { Act } from '../../ui/Act';
import { Icon } from '../../ui/Icon';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { refusedWords } from './refusedWords';
import { saveFile } from './saveFile';

/** What is not sent yet, small and honest; nothing is shown when all is sent. `brief`: only how many. */
export function UnsentNote({ brief = false }: { brief?: boolean }) {
  const tokens = useTokens();
  // Each by itself: what is tapped changes the jobs, and is answered before this is drawn.
  const unsent = useAppSelector((state) => state.jobs.unsent);
  const storeFailed = useAppSelector((state) => state.jobs.storeFailed);
  const { nearlyFull, unpaired } = useAppSelector((state) => state.phone);
  const [open, setOpen] = useState(false);
  const words =
    noteWords(unsent.count, unsent.aside.length, storeFailed) ??
    (unpaired ? 'Not paired' : nearlyFull ? 'Phone nearly full' : undefined);
  if (words === undefined) return null;
  const grave = storeFailed !== null || unsent.aside.length > 0;
  const color = grave ? tokens.stop : tokens.ink;
  return (
    <>
      <Pressable
        role="button"
        aria-label={`${words}. Show more`}
        onPress={() => setOpen(true)}
        style={styles.note}
      >
        <Icon name={unsent.reachable ? 'unsent' : 'unreachable'} color={color} size={20} />
        <Words as="note" style={{ color }}>
          {brief && !grave && unsent.count > 0 ? unsent.count : words}
        </Words>
      </Pressable>
      <Portal>
        <Dialog visible={open} onDismiss={() => setOpen(false)}>
          <Dialog.Title>{words}</Dialog.Title>
          <Dialog.Content>
            <Explanation />
          </Dialog.Content>
          <Dialog.Actions>
            <Act label="Close" onPress={() => setOpen(false)} />
          </Dialog.Actions>
        </Dialog>
      </Portal>
    </>
  );
}

function noteWords(count: number, aside: number, failed: string | null): string | undefined {
  if (failed !== null) return 'Not recorded';
  if (aside > 0) return `${aside} refused`;
  return count > 0 ? `${count} unsent` : undefined;
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

/** What the server refused, with its reasons: sent once more, or saved. */
function Refused() {
  const sync = useSync();
  const jobs = useAppSelector((state) => state.jobs.byId);
  const aside = useAppSelector((state) => state.jobs.unsent.aside);
  const { data: machines = [] } = useMachinesQuery();
  return (
    <>
      <Words>The server refused these; they are kept here, and the rest went on:</Words>
      {aside.map(({ item, why }, i) => (
        <Words key={i} as="note">
          · {refusedWords(item, { jobs, machines })}: {why}
        </Words>
      ))}
      <Act label="Send them again" icon="unsent" onPress={() => void sync.sendAgain()} />
      <Act
        label="Save them as a file"
        icon="save"
        onPress={() => saveFile('long-bar-refused.json', aside)}
      />
    </>
  );
}

function Explanation() {
  const unsent = useAppSelector((state) => state.jobs.unsent);
  const storeFailed = useAppSelector((state) => state.jobs.storeFailed);
  return (
    <View style={styles.explanation}>
      {storeFailed !== null && (
        <Words color="stop">{storeFailed} Do not go on until it is mended.</Words>
      )}
      {unsent.count > 0 && <Waiting />}
      {unsent.aside.length > 0 && <Refused />}
    </View>
  );
}

const styles = StyleSheet.create({
  note: { flexDirection: 'row', alignItems: 'center', gap: 4, minHeight: 48, paddingHorizontal: 4 },
  explanation: { gap: space.medium },
});
