import type { ReactNode } from 'react';
import { StyleSheet } from 'react-native';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { Field } from '../../../ui/Field';
import { Row, Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { usePractising } from '../../shared/practising';
import { LinkBoard } from './LinkBoard';
import { useTurner } from './Turner';

/** At the rockers, while somebody else turns: the word for each turn is given here. */
export function TurnedByAnother({ beside }: { beside?: ReactNode }) {
  const { name, setName } = useTurner();
  const practising = usePractising();
  if (practising) return beside;
  if (name === undefined) {
    return (
      <Row>
        <Act label="Someone else turns" style={styles.grow} onPress={() => setName('')} />
        {beside}
      </Row>
    );
  }
  return (
    <Stack>
      {beside}
      <Field label="Who turns" value={name} onChange={setName} />
      <Side />
      <Act label="I turn it myself" onPress={() => setName(undefined)} />
    </Stack>
  );
}

function Side() {
  const { word, turn, say, clear } = useTurner().link;
  const turning = word === 'turn';
  return (
    <Stack>
      <LinkBoard word={word} turn={turn} role="rockers" />
      {turning ? (
        <Row>
          <Act weight="stop" label="Stop" style={{ flex: 2 }} onPress={() => say('stop')} />
          <Act label="There" style={{ flex: 1 }} onPress={() => say('there')} />
        </Row>
      ) : (
        <Act
          weight="primary"
          byHand
          label="Fingers clear: turn"
          disabled={word === 'waiting' || word === 'lost' || !turn}
          onPress={() => turn && clear(turn)}
        />
      )}
      <Caution>
        A convenience, never a safeguard. Agree on voice or hand signals first; they stand above
        this.
      </Caution>
      <Words as="note" color="secondInk">
        The helper opens this job on another phone, taps the name at the top, and then the helper’s
        view.
      </Words>
    </Stack>
  );
}

const styles = StyleSheet.create({ grow: { flex: 1 } });
