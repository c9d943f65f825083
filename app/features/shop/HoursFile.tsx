import type { HoursColumns, HoursFound } from '@longbar/core';
import { formatDay, formatHours } from '@longbar/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useDispatch } from 'react-redux';
import { useTakeHoursMutation } from '../../state/api';
import { preferencesChanged } from '../../state/preferences';
import { refusalOf } from '../../state/refusal';
import { useAppSelector } from '../../state/store';
import { Act } from '../../ui/Act';
import { OneOf } from '../../ui/OneOf';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { pickFile } from '../frame/pickFile';
import { HoursColumnsChoice } from './HoursColumnsChoice';

type Looked = { file: string; text: string; found: HoursFound };

/** Readings of many hour meters from a table, as telematics write it: looked at, then taken in. */
export function HoursFile() {
  const [takeHours, { isLoading }] = useTakeHoursMutation();
  const remembered = useAppSelector((state) => state.preferences.hoursColumns);
  const dispatch = useDispatch();
  const [looked, setLooked] = useState<Looked>();
  const [leaveOut, setLeaveOut] = useState(false);
  const [problem, setProblem] = useState<string>();

  const ask = async (file: string, text: string, columns: HoursColumns | null, take = false) => {
    const answer = await takeHours({ text, columns, machine: null, leaveOut, take });
    if (answer.data === undefined) {
      setProblem(`${file}: ${refusalOf(answer.error).message}`);
      return;
    }
    setProblem(undefined);
    setLooked({ file, text, found: answer.data });
  };
  const open = async (file: File) => {
    const text = await file.text();
    setLeaveOut(false);
    await ask(file.name, text, remembered[headingOf(text)] ?? null);
  };
  const choose = (columns: HoursColumns) => {
    if (!looked) return;
    const all = { ...remembered, [headingOf(looked.text)]: columns };
    dispatch(preferencesChanged({ hoursColumns: all }));
    void ask(looked.file, looked.text, columns);
  };
  return (
    <Stack>
      <Words as="heading">Hours from a file</Words>
      <Words as="note" color="secondInk">
        A table (CSV) with a line for each reading: which machine, on which day, how many hours.
        Which column is which is remembered for the next one like it.
      </Words>
      <Act
        label={isLoading ? 'Reading …' : 'Open a table of hours'}
        icon="unsent"
        disabled={isLoading}
        onPress={() => pickFile('.csv,.txt,text/csv', (file) => void open(file))}
      />
      {problem !== undefined && (
        <View role="alert">
          <Words color="stop">{problem}</Words>
        </View>
      )}
      {looked?.found.taken && <Words role="status">Imported: {addsWords(looked.found)}.</Words>}
      {looked && !looked.found.taken && (
        <Stack>
          <HoursColumnsChoice found={looked.found} onChoose={choose} />
          <WouldAdd found={looked.found} />
          {looked.found.issues.length > 0 && (
            <OneOf
              name="Lines with mistakes"
              options={[
                ['mend', 'Mend the file first'],
                ['leave', 'Leave those lines out'],
              ]}
              chosen={leaveOut ? 'leave' : 'mend'}
              onChoose={(which) => setLeaveOut(which === 'leave')}
            />
          )}
          <Row>
            <Act label="Cancel" style={{ flex: 1 }} onPress={() => setLooked(undefined)} />
            <Act
              weight="primary"
              label="Import them"
              style={{ flex: 1 }}
              disabled={
                isLoading ||
                looked.found.adds.length === 0 ||
                (looked.found.issues.length > 0 && !leaveOut)
              }
              onPress={() => void ask(looked.file, looked.text, looked.found.columns, true)}
            />
          </Row>
        </Stack>
      )}
    </Stack>
  );
}

/** Tables of one kind begin with the same line. */
function headingOf(text: string): string {
  return text.split(/\r?\n/, 1)[0] ?? '';
}

function addsWords({ adds, known }: HoursFound): string {
  const count = adds.reduce((sum, each) => sum + each.count, 0);
  const readings = count === 1 ? '1 reading' : `${count} readings`;
  const machines = adds.length === 1 ? '1 machine' : `${adds.length} machines`;
  const rest = known > 0 ? `; ${known} known already` : '';
  return `${count === 0 ? 'no reading' : `${readings} of ${machines}`}${rest}`;
}

function WouldAdd({ found }: { found: HoursFound }) {
  return (
    <Stack gap={4}>
      <Words as="strong">It would add {addsWords(found)}.</Words>
      {found.adds.map(({ machine, name, count, last }) => (
        <Words key={machine}>
          {name}: {count}, the last {formatHours(last.hours)} h on {formatDay(last.date)}
        </Words>
      ))}
      {found.issues.length > 0 && (
        <View role="alert">
          <Words as="strong" color="stop">
            Not to be used:
          </Words>
          {found.issues.map(({ line, message }) => (
            <Words key={`${line} ${message}`} as="note">
              Line {line}: {message}
            </Words>
          ))}
        </View>
      )}
    </Stack>
  );
}
