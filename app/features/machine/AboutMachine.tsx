import type { MachineDetail } from '@longbar/core';
import { formatDay, formatHours } from '@longbar/core';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { May } from '../people/May';
import { Attachments } from '../shared/Attachments';

/** What is known of a machine besides its engine, and where its sheet is from. */
export function AboutMachine({ machine }: { machine: MachineDetail }) {
  const router = useRouter();
  const tokens = useTokens();
  const facts = factsOf(machine);
  return (
    <Stack gap={space.small}>
      <Words as="heading">The machine</Words>
      {facts.map(([what, says]) => (
        <View key={what} style={[styles.fact, { borderColor: tokens.hair }]}>
          <Words color="secondInk">{what}</Words>
          <Words as="strong" style={styles.says}>
            {says}
          </Words>
        </View>
      ))}
      {machine.photo !== undefined && (
        <Attachments attached={[{ sha256: machine.photo, type: 'image/jpeg' }]} />
      )}
      <May role="technician">
        <Act
          label="Change what is said of it"
          icon="change"
          onPress={() => router.push(`/machines/${machine.id}/edit`)}
        />
      </May>
      <Source machine={machine} />
    </Stack>
  );
}

function factsOf(machine: MachineDetail): [what: string, says: string][] {
  const { place, owner, serial, tag, baseline } = machine;
  const { inServiceSince, hoursThen, hoursAYear } = baseline;
  const then = hoursThen === undefined ? '' : `, at ${formatHours(hoursThen)} h`;
  const all: [string, string | undefined][] = [
    ['Stands', place],
    ['Belongs to', owner],
    ['Serial number', serial],
    ['Data tag', tag],
    ['In service since', inServiceSince && `${formatDay(inServiceSince)}${then}`],
    ['Estimated', hoursAYear === undefined ? undefined : `${formatHours(hoursAYear)} h a year`],
  ];
  return all.flatMap(([what, says]): [string, string][] => (says ? [[what, says]] : []));
}

function Source({ machine }: { machine: MachineDetail }) {
  const { source } = machine.document;
  if (!source) return null;
  const from = [
    source.title,
    source.page && `page ${source.page}`,
    source.revision && `revision ${source.revision}`,
  ];
  return (
    <Words as="note" color="secondInk">
      From: {from.filter(Boolean).join(', ')}
      {source.checked ? `, last checked ${formatDay(source.checked)}` : ''}. The maker’s current
      manual stands.
    </Words>
  );
}

const styles = StyleSheet.create({
  fact: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    gap: space.medium,
    paddingVertical: space.hair,
    borderBottomWidth: 1,
  },
  says: { flexShrink: 1, textAlign: 'right' },
});
