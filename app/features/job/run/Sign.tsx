import { adjusterName, lastRun } from '@longbar/core';
import { useState } from 'react';
import { useAppSelector } from '../../../state/store';
import { Act } from '../../../ui/Act';
import { Field } from '../../../ui/Field';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { usePinFirst } from '../../people/usePinFirst';
import { usePractising } from '../../shared/practising';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';

/** Nothing is left open, as far as is asked. */
const COMPLETE = { unset: [], outside: [], incomplete: false };

/** The signature, and what the one who gives it should know. */
export function Sign({ job, after }: Pick<StepProps, 'job' | 'after'>) {
  const remembered = useAppSelector((state) => state.preferences.name);
  const practising = usePractising();
  const [name, setName] = useState(remembered || (practising ? job.by : ''));
  const { pinFirst, asking } = usePinFirst();
  const { instruction } = job;
  const asked = instruction?.do === 'sign' ? instruction : COMPLETE;
  const { unset, outside, incomplete } = asked;
  const sign = () =>
    job.act({
      type: 'job.signed',
      name: name.trim(),
      ...(incomplete && { incomplete }),
    });
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        byHand: true,
        label: signLabel(job, incomplete),
        disabled: name.trim() === '',
        onPress: () => pinFirst(name.trim(), sign),
      }}
    >
      {asking}
      <Words as="heading">Sign</Words>
      {unset.length > 0 && (
        <Words as="strong" color="stop">
          Not set: {unset.map(adjusterName).join(', ')}. The record says so, and the check stays
          due.
        </Words>
      )}
      {outside.length > 0 && (
        <Words as="strong" color="stop">
          Only checked, and outside: {outside.map(adjusterName).join(', ')}. The check stays due.
        </Words>
      )}
      <Open job={job} />
      <Words>Signing closes the record. What comes later stands beside it, not in it.</Words>
      <Field label="Your name" value={name} onChange={setName} />
      <ForTheNext job={job} />
    </StepFrame>
  );
}

function signLabel({ state }: StepProps['job'], incomplete: boolean): string {
  if (incomplete) return 'Close as incomplete';
  const run = lastRun(state);
  if (!run?.ran) return 'Sign without a run';
  return run.leaks ? 'Sign with the leak open' : 'Sign and close the record';
}

/** What is not as it should be with the run: that there was none, or that it leaks. */
function Open({ job: { state } }: Pick<StepProps, 'job'>) {
  const run = lastRun(state);
  if (!run || (run.ran && !run.leaks)) return null;
  return (
    <Words as="strong" color="stop">
      {run.ran
        ? `It leaks: ${run.note}. Left so: ${state.exempted.leak?.reason}`
        : `Not run: ${run.note}. Nobody has heard it run since it was set.`}
    </Words>
  );
}

/** What the next one at this machine should know. */
function ForTheNext({ job }: Pick<StepProps, 'job'>) {
  const [text, setText] = useState('');
  const note = () => {
    job.act({ type: 'machine.noted', text: text.trim() });
    setText('');
  };
  return (
    <Stack>
      <Words as="heading">For whoever opens it next</Words>
      {job.state.machineNotes.map(({ id, text: noted }) => (
        <Words key={id}>· {noted}</Words>
      ))}
      <Words color="secondInk">Which way in, the odd bolt, the part number of the gasket.</Words>
      <Field label="What they should know" value={text} onChange={setText} multiline />
      <Act label="Keep the note" disabled={text.trim() === ''} onPress={note} />
    </Stack>
  );
}
