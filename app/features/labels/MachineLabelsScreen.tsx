import { useMemo, useState } from 'react';
import { StyleSheet } from 'react-native';
import { Act } from '../../ui/Act';
import { Caution } from '../../ui/Caution';
import { Field } from '../../ui/Field';
import { Fold } from '../../ui/Fold';
import { Row } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { AllBut } from '../shared/AllBut';
import { Coming } from '../shared/Coming';
import { useYard } from '../yard/useYard';
import { MACHINE_LABEL } from './labelFormats';
import { LabelPage } from './LabelPage';
import { MachineLabel } from './MachineLabel';
import { useLabelChoices } from './useLabelChoices';

/** Labels for machines: `machine` alone to begin with, or all of the yard. */
export function MachineLabelsScreen({ machine }: { machine: string | undefined }) {
  const { machines, asked } = useYard();
  const [left, setLeft] = useState<ReadonlySet<string>>();
  const [address, setAddress] = useState(() => window.location.origin);
  const choices = useLabelChoices();
  const sorted = useMemo(
    () =>
      [...(machines ?? [])].sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true })),
    [machines],
  );
  const without =
    left ??
    new Set(machine === undefined ? [] : sorted.flatMap(({ id }) => (id === machine ? [] : [id])));
  const chosen = sorted.filter(({ id }) => !without.has(id));
  return (
    <LabelPage
      title="Labels for machines"
      back={machine === undefined ? 'Back to the yard' : 'Back to the machine'}
      backTo={machine === undefined ? '/' : `/machines/${machine}`}
      choices={choices}
      format={MACHINE_LABEL}
      labels={chosen.map((each) => (
        <MachineLabel key={each.id} machine={each} address={address} />
      ))}
    >
      {!machines && <Coming what="the machines" of={asked} />}
      {machines?.length === 0 && <Words>There is no machine to print a label for yet.</Words>}
      <Fold title="Which machines" holds={`${chosen.length} of ${sorted.length}`}>
        <Row>
          <Act label="All of them" style={styles.grow} onPress={() => setLeft(new Set())} />
          <Act
            label="None"
            style={styles.grow}
            onPress={() => setLeft(new Set(sorted.map(({ id }) => id)))}
          />
        </Row>
        <AllBut of={sorted} without={without} onChange={setLeft} />
      </Fold>
      <Field label="Address that phones open" value={address} onChange={setAddress} />
      {isOnlyHere(address) && (
        <Caution>{`No other phone can open ${address}. Open Long Bar by the address that the phones use, or type it here, before labels are stuck on.`}</Caution>
      )}
    </LabelPage>
  );
}

/** Whether an address means the very machine it is opened on. */
function isOnlyHere(address: string): boolean {
  try {
    return /^(localhost|127\..*|\[::1\])$/.test(new URL(address).hostname);
  } catch {
    return true;
  }
}

const styles = StyleSheet.create({ grow: { flex: 1 } });
