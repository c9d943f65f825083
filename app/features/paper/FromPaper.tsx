import type { PaperLine, PaperMistake } from '@longbar/core';
import { actsFromPaper, adjusterName, entryAtWork, formatTorque, isRefused } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../ui/Act';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Row, Stack } from '../../ui/Panel';
import { space } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import type { WorkingJob } from '../job/model/workingJob';
import { useBladeSet } from '../job/reading/useBladeSet';
import type { OpenStop } from './PaperStop';
import { blanksAt, limitsOf, stopTitle } from './PaperStop';

type Props = { job: WorkingJob; stops: readonly OpenStop[]; onDone: () => void };

/** Types in all that is on the paper, in one form: all of it is recorded, or nothing. */
export function FromPaper({ job, stops, onDone }: Props) {
  const set = useBladeSet(job.context.shop.bladeSets);
  const [lines, setLines] = useState<Readonly<Record<string, PaperLine>>>({});
  const [mistakes, setMistakes] = useState<PaperMistake[]>([]);
  const lineOf = (id: string): PaperLine =>
    lines[id] ?? { id, found: '', shim: '', left: '', toTorque: false, done: false };
  const change = (line: PaperLine) => {
    setLines({ ...lines, [line.id]: line });
    setMistakes(mistakes.filter(({ id }) => id !== line.id));
  };
  const record = () => {
    if (!set) return;
    const ids = stops.flatMap((stop) => stop.ids);
    const answer = actsFromPaper(job.setting, job.state, set, ids.map(lineOf));
    if (isRefused(answer)) return setMistakes(answer.issues);
    if (answer.acts.length > 0) job.act(...answer.acts);
    onDone();
  };
  return (
    <Stack gap={space.medium}>
      <Words as="title">From paper</Words>
      <Words>
        In the unit of the {set?.name ?? 'blade set'}, or with the unit behind the figure. What
        stays blank stays to do. The crank’s place is found anew afterwards.
      </Words>
      {stops.map(({ stop, place, ids }) => (
        <View key={place} style={styles.stop}>
          <Words as="heading">{stopTitle({ stop, place })}</Words>
          {ids.map((id) => (
            <Line
              key={id}
              job={job}
              line={lineOf(id)}
              mistakes={mistakes.filter((each) => each.id === id)}
              onChange={change}
            />
          ))}
        </View>
      ))}
      {mistakes.length > 0 && (
        <Words as="strong" color="stop" role="alert">
          Nothing is recorded yet: {mistakes.map(({ id }) => adjusterName(id)).join(', ')} cannot be
          read.
        </Words>
      )}
      <Act weight="primary" label="Record all of it" onPress={record} />
      <Act label="Back to the paper; nothing is recorded" onPress={onDone} />
    </Stack>
  );
}

type LineProps = {
  job: WorkingJob;
  line: PaperLine;
  mistakes: readonly PaperMistake[];
  onChange: (line: PaperLine) => void;
};

/** The figures that are typed, each by what its field is called. */
const FIGURES = [
  ['found', 'as found'],
  ['shim', 'shim in it, mm'],
  ['left', 'as left'],
] as const;

function Line({ job, line, mistakes, onChange }: LineProps) {
  const name = adjusterName(line.id);
  const entry = entryAtWork(job.setting, job.state, line.id);
  const torque = entry?.locknut?.torque;
  const blanks = blanksAt(job, line.id);
  const locked = line.done || line.left.trim() !== '';
  return (
    <Stack gap={space.small}>
      <Words as="strong">{[name, limitsOf(entry)].filter(Boolean).join(': ')}</Words>
      <Row>
        {FIGURES.filter(([blank]) => blanks.includes(blank)).map(([blank, words]) => (
          <View key={blank} style={styles.blank}>
            <Field
              label={words}
              name={`${name} ${words}`}
              value={line[blank]}
              onChange={(text) => onChange({ ...line, [blank]: text })}
              error={mistakes.find((each) => each.blank === blank)?.message}
            />
          </View>
        ))}
      </Row>
      {blanks.includes('done') && (
        <Choice
          several
          label="Done"
          name={`${name} done`}
          chosen={line.done}
          onPress={() => onChange({ ...line, done: !line.done })}
        />
      )}
      {locked && torque !== undefined && (
        <Choice
          several
          label={`Locked at ${formatTorque(torque)}`}
          name={`${name} locked at ${formatTorque(torque)}`}
          chosen={line.toTorque}
          onPress={() => onChange({ ...line, toTorque: !line.toTorque })}
        />
      )}
    </Stack>
  );
}

const styles = StyleSheet.create({
  stop: { gap: space.medium },
  blank: { flex: 1 },
});
