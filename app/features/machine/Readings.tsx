import type { MachineDetail, ReadingOnRecord } from '@longbar/core';
import { formatDay, formatHours, readNumber } from '@longbar/core';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { useCorrectHoursMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { useMay } from '../people/useMay';
import { space, target } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Icon } from '../../ui/Icon';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** So many are shown before all are asked for. */
const SHOWN = 8;

/** What the hour meter showed, newest first; each can be put right, and what stood there is kept. */
export function Readings({ machine }: { machine: MachineDetail }) {
  const [all, setAll] = useState(false);
  const { readings } = machine;
  const signed = new Set(machine.history.map(({ id }) => id));
  const isOpen = ({ id }: ReadingOnRecord) => id !== undefined && id === machine.jobs.open?.id;
  return (
    <Stack gap={space.small}>
      <View role="list" aria-label="Readings of the hour meter">
        {(all ? readings : readings.slice(0, SHOWN)).map((reading, i) => (
          <OneReading
            key={reading.id ?? i}
            machine={machine.id}
            reading={reading}
            inJob={isOpen(reading) || (reading.id !== undefined && signed.has(reading.id))}
            // In a job that is open the meter is read once more.
            mayCorrect={!isOpen(reading)}
          />
        ))}
      </View>
      {!all && readings.length > SHOWN && (
        <Act label={`All ${readings.length} readings`} onPress={() => setAll(true)} />
      )}
    </Stack>
  );
}

type ReadingProps = {
  machine: string;
  reading: ReadingOnRecord;
  inJob: boolean;
  mayCorrect: boolean;
};

function OneReading({ machine, reading, inJob, mayCorrect }: ReadingProps) {
  const tokens = useTokens();
  const [open, setOpen] = useState(false);
  const mayWork = useMay('technician');
  const { date, hours, id, was = [], takenBack = false, replaced } = reading;
  const notes = [
    ...(replaced ? ['the first of another meter'] : []),
    ...(inJob ? ['read in a job'] : []),
  ];
  const struck = [...was, ...(takenBack ? [hours] : [])];
  return (
    <View role="listitem" style={[styles.reading, { borderColor: tokens.hair }]}>
      <View style={styles.line}>
        <View>
          <Words color="secondInk">{formatDay(date)}</Words>
          {notes.length > 0 && (
            <Words as="note" color="secondInk">
              {notes.join(', ')}
            </Words>
          )}
        </View>
        <View style={styles.figures}>
          {struck.map((old, i) => (
            <Words
              key={i}
              as="figure"
              color="secondInk"
              aria-label={`${takenBack ? 'Taken back' : 'Corrected'}: ${formatHours(old)} h`}
              style={styles.struck}
            >
              {formatHours(old)}
            </Words>
          ))}
          {!takenBack && <Words as="figure">{formatHours(hours)} h</Words>}
          {isOnServer(id) && mayWork && mayCorrect && (
            <Pressable
              role="button"
              aria-label={`Correct the reading of ${formatHours(hours)} h, ${formatDay(date)}`}
              aria-expanded={open}
              onPress={() => setOpen(!open)}
              style={styles.correct}
            >
              <Icon name="change" color={tokens.secondInk} size={20} />
            </Pressable>
          )}
        </View>
      </View>
      {open && isOnServer(id) && (
        <Correct {...{ machine, id, hours, inJob, takenBack }} onDone={() => setOpen(false)} />
      )}
    </View>
  );
}

/** Whether the server knows the reading: one kept on this phone only is named by its day. */
function isOnServer(id: string | undefined): id is string {
  return id !== undefined && !id.includes(' ');
}

type CorrectProps = {
  machine: string;
  id: string;
  hours: number;
  inJob: boolean;
  takenBack: boolean;
  onDone: () => void;
};

function Correct({ machine, id, hours, inJob, takenBack, onDone }: CorrectProps) {
  const [text, setText] = useState(String(hours));
  const [mistake, setMistake] = useState<string>();
  const [doubted, setDoubted] = useState(false);
  const [correct, { isLoading }] = useCorrectHoursMutation();
  const send = async (right: number | null, sure = false) => {
    const answer = await correct({
      machine,
      reading: id,
      right: { hours: right, ...(sure && { sure }) },
    });
    if (answer.error === undefined) return onDone();
    const { message, issues } = refusalOf(answer.error);
    setMistake(message);
    setDoubted(issues.some(({ path }) => path === 'sure'));
  };
  const save = (sure = false) => {
    const figure = readNumber(text, { groups: true });
    if (figure === undefined) return setMistake('Hours are a number, such as 6612.');
    void send(figure, sure);
  };
  return (
    <Stack gap={space.small} style={styles.form}>
      <Field
        label="It should read, h"
        inputMode="decimal"
        value={text}
        onChange={setText}
        error={mistake}
        onSubmitEditing={() => save()}
      />
      <Row>
        <Act label="Cancel" onPress={onDone} style={styles.grow} />
        <Act label="Save" disabled={isLoading} onPress={() => save()} style={styles.grow} />
      </Row>
      {doubted && (
        <Act label="It reads so" name="It reads so: looked at again" onPress={() => save(true)} />
      )}
      {!inJob && !takenBack && (
        <Act
          label="Take the reading back"
          detail="It stays here struck through, and counts no more"
          disabled={isLoading}
          onPress={() => void send(null)}
        />
      )}
      <Words as="note" color="secondInk">
        What stood here is kept, struck through. Due dates and drift are worked out anew.
        {inJob ? ' The signed record stays as it was signed.' : ''}
      </Words>
    </Stack>
  );
}

const styles = StyleSheet.create({
  reading: { borderBottomWidth: 1 },
  line: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    minHeight: target.least,
  },
  figures: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  struck: { textDecorationLine: 'line-through' },
  correct: { width: 48, height: 48, alignItems: 'center', justifyContent: 'center' },
  form: { paddingBottom: space.medium },
  grow: { flex: 1 },
});
