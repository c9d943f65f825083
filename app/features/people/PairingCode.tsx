import type { Pairing } from '@longbar/core';
import { formatInstant } from '@longbar/core';
import { View } from 'react-native';
import { Dialog, Portal } from 'react-native-paper';
import { QrCode } from '../../drawing/QrCode';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { OnlyHere } from '../shared/OnlyHere';

type Props = {
  pairing: Pairing;
  whose: string;
  /** Where the phone goes once it is paired. */
  query?: string;
  onDone: () => void;
};

/** What the other phone's camera looks at. */
export function PairingCode({ pairing: { code, until }, whose, query = '', onDone }: Props) {
  const { origin } = window.location;
  const link = `${origin}/pair${query}#${code}`;
  return (
    <Portal>
      <Dialog visible onDismiss={onDone}>
        <Dialog.Title>Look at this with {whose}’s phone</Dialog.Title>
        <Dialog.Content>
          <Stack gap={space.small}>
            <View style={{ alignItems: 'center' }}>
              <QrCode text={link} size={264} says={`A code that pairs a phone for ${whose}`} />
            </View>
            <Words as="note" selectable>
              Or open {link}
            </Words>
            <Words as="note" color="secondInk">
              It works once, until {formatInstant(until)}. Show it to nobody else.
            </Words>
            <OnlyHere />
          </Stack>
        </Dialog.Content>
        <Dialog.Actions>
          <Act label="Done" onPress={onDone} />
        </Dialog.Actions>
      </Dialog>
    </Portal>
  );
}
