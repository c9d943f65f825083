import { adjusterName, formatInstant, readTooCool, unansweredFindings } from '@longbar/core';
import { View } from 'react-native';
import { Words } from '../../theme/Words';
import { Attachments } from '../job/frame/Attachments';
import type { WorkingJob } from '../job/model/useJob';

/** What else the journal tells: what was looked into, who handed over, what came off, notes. */
export function RecordNotes({ job: { context, state, setting } }: { job: WorkingJob }) {
  const cool = readTooCool(setting.sheet, state);
  const lines = [
    ...cool.map((id) => `${adjusterName(id)}: read after the hot window was over`),
    ...Object.entries(state.answers).map(
      ([question, { says, answer, by }]) =>
        `${adjusterName(question.split(' ')[0] ?? '')}: ${says ?? 'asked about'} ${answer} (${by})`,
    ),
    ...unansweredFindings(context.sheet, state, context.lastLeft).map(
      ({ says, look }) => `Not looked into: ${says} ${look}`,
    ),
    ...state.handed.map(({ to, by, at }) => `Handed over by ${by} to ${to}, ${formatInstant(at)}`),
    ...state.noted.map(
      ({ what, from, id }) =>
        `Came off: ${what}${from ? `, from ${from}` : ''}; ${state.closing[`noted ${id}`] ? 'back' : 'not ticked as back'}`,
    ),
    ...state.machineNotes.map(({ text, by }) => `For the next one: ${text} (${by})`),
  ];
  const attached = [
    ...(state.why?.attachments ?? []),
    ...state.noted.flatMap(({ attachments = [] }) => attachments),
  ];
  if (lines.length === 0 && attached.length === 0) return null;
  return (
    <View>
      <Words as="strong">Looked into, and noted</Words>
      {lines.map((line) => (
        <Words key={line} as="note">
          {line}
        </Words>
      ))}
      <Attachments attached={attached} />
    </View>
  );
}
