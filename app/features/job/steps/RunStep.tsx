import { adjusterName, unsetOf } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Act } from '../../../theme/Act';
import { Caution } from '../../../theme/Caution';
import { Choice } from '../../../theme/Choice';
import { Field } from '../../../theme/Field';
import { Row, Stack } from '../../../theme/Panel';
import { Words } from '../../../theme/Words';
import { useAppSelector } from '../../../state/store';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';

/** How it ran, and the signature that closes the record. */
export function RunStep({ job, after }: StepProps) {
  const router = useRouter();
  const { run, signed } = job.state;
  const record = () => router.replace(`/jobs/${job.setting.head.id}/record`);
  if (signed) {
    return (
      <StepFrame job={job} after={after} act={{ label: 'Open the record', onPress: record }}>
        <Words as="title">{signed.incomplete ? 'Signed as incomplete' : 'Signed'}</Words>
        <Words>
          {signed.incomplete
            ? `${signed.name} closed this job as incomplete. ${job.context.machineName} stays due.`
            : `${signed.name} signed this job. The next check of ${job.context.machineName} counts from its hours.`}
        </Words>
      </StepFrame>
    );
  }
  return run ? <Sign job={job} after={after} /> : <Run job={job} after={after} />;
}

function Run({ job, after }: Pick<StepProps, 'job' | 'after'>) {
  const symptom = job.state.why?.symptom;
  const [leaks, setLeaks] = useState<boolean>();
  const [gone, setGone] = useState<boolean>();
  const [note, setNote] = useState('');
  const ready = leaks !== undefined && (symptom === undefined || gone !== undefined);
  const record = () =>
    job.act({
      type: 'run.noted',
      ran: true,
      leaks: leaks === true,
      ...(gone !== undefined && { symptomGone: gone }),
      ...(note.trim() && { note: note.trim() }),
    });
  return (
    <StepFrame
      job={job}
      after={after}
      act={{ label: 'Record the run', disabled: !ready, onPress: record }}
    >
      <Words as="heading">Run it, listen, look</Words>
      <Caution>
        Hot metal and oil. After rack or injector work one stands ready to shut fuel and air.
      </Caution>
      <YesNo
        question="Does anything leak?"
        value={leaks}
        onChange={setLeaks}
        yes="It leaks"
        no="No leaks"
      />
      {symptom !== undefined && (
        <YesNo
          question={`“${symptom}”: gone?`}
          value={gone}
          onChange={setGone}
          yes="Gone"
          no="Still there"
        />
      )}
      <Field label="A note, if any" value={note} onChange={setNote} multiline />
    </StepFrame>
  );
}

type YesNoProps = {
  question: string;
  value: boolean | undefined;
  onChange: (value: boolean) => void;
  yes: string;
  no: string;
};

function YesNo({ question, value, onChange, yes, no }: YesNoProps) {
  return (
    <Stack gap={8}>
      <Words as="strong">{question}</Words>
      <Row>
        <Choice label={no} chosen={value === false} onPress={() => onChange(false)} />
        <Choice label={yes} chosen={value === true} onPress={() => onChange(true)} />
      </Row>
    </Stack>
  );
}

function Sign({ job, after }: Pick<StepProps, 'job' | 'after'>) {
  const remembered = useAppSelector((state) => state.preferences.name);
  const [name, setName] = useState(remembered);
  const unset = unsetOf(job.state);
  const sign = () =>
    job.act({
      type: 'job.signed',
      name: name.trim(),
      ...(unset.length > 0 && { incomplete: true }),
    });
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        label: unset.length > 0 ? 'Close as incomplete' : 'Sign and close the record',
        disabled: name.trim() === '',
        onPress: sign,
      }}
    >
      <Words as="heading">Sign</Words>
      {unset.length > 0 && (
        <Words as="strong" color="stop">
          Not set: {unset.map(adjusterName).join(', ')}. The record says so, and the check stays
          due.
        </Words>
      )}
      <Words>Signing closes the record. What comes later stands beside it, not in it.</Words>
      <Field label="Your name" value={name} onChange={setName} />
      <ForTheNext job={job} />
    </StepFrame>
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
      <Field
        label="Which way in, the odd bolt, the gasket’s part"
        value={text}
        onChange={setText}
        multiline
      />
      <Act label="Keep the note" disabled={text.trim() === ''} onPress={note} />
    </Stack>
  );
}
