import type { MachineLine } from '@longbar/core';
import { StyleSheet, Text, View } from 'react-native';
import { QrCode } from '../../drawing/QrCode';
import { font } from '../../theme/fonts';
import { pixels } from '../shared/paper';

type Props = {
  machine: Pick<MachineLine, 'id' | 'name' | 'engine' | 'place' | 'serial'>;
  address: string;
};

/** A machine's label: a camera that sees it opens the machine's page. */
export function MachineLabel({ machine, address }: Props) {
  const { id, name, engine, place, serial } = machine;
  return (
    <View style={styles.label}>
      <QrCode
        text={machineAddress(address, id)}
        size={pixels(40)}
        says={`Opens ${name} in Long Bar`}
      />
      <View style={styles.words}>
        <Text style={styles.name}>{name}</Text>
        <Text style={styles.line}>{engine}</Text>
        {place !== undefined && <Text style={styles.line}>{place}</Text>}
        {serial !== undefined && <Text style={styles.line}>No. {serial}</Text>}
        <Text style={styles.small}>
          Hold the phone’s camera on it to open its page in Long Bar.
        </Text>
      </View>
    </View>
  );
}

/**
 * Where a machine's page is found.
 *
 * @example machineAddress('https://bar.example/', '7') // 'https://bar.example/machines/7'
 */
function machineAddress(address: string, id: string): string {
  return `${address.trim().replace(/(?<!\/)\/+$/, '')}/machines/${id}`;
}

// Paper is white and its ink black, whatever the screen's theme.
const ink = { color: '#000000' };
const styles = StyleSheet.create({
  label: { flexDirection: 'row', alignItems: 'center', gap: pixels(2), padding: pixels(3) },
  words: { flex: 1, gap: pixels(0.6) },
  name: { ...ink, fontFamily: font.textStrong, fontSize: 18, lineHeight: 21 },
  line: { ...ink, fontFamily: font.textMedium, fontSize: 12.5, lineHeight: 15 },
  small: { ...ink, fontFamily: font.textMedium, fontSize: 9, lineHeight: 11, marginTop: pixels(1) },
});
