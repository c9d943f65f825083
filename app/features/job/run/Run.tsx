import { adjusterName, notSetSinceHeadWork, notToRunWith } from '@longbar/core';
import { useState } from 'react';
import { Caution } from '../../../ui/Caution';
import { Field } from '../../../ui/Field';
import { Words } from '../../../ui/Words';
import { Listen } from '../../listen/Listen';
import { Reason } from '../frame/Reason';
import { StepFrame } from '../frame/StepFrame';
import { YesNo } from '../frame/YesNo';
import type { StepProps } from '../model/stepProps';

type Props = Pick<StepProps, 'job' | 'after'>;

/** How it ran; or that it is not run, and why. */
export function Run({ job, after }: Props) {
  const not = notToRunWith(job.state);
  return not.length > 0 ? <NotToRun {...{ job, after, not }} /> : <HowItRan {...{ job, after }} />;
}

/** Somebody found what it must not be run with: the job ends without a run. */
function NotToRun({ job, after, not }: Props & { not: string[] }) {
  const names = not.map(adjusterName).join(', ');
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        weight: 'stop',
        label: 'Not run, and says so',
        onPress: () =>
          job.act({ type: 'run.noted', ran: false, leaks: false, note: `because of ${names}` }),
      }}
    >
      <Words as="title">Not to be run</Words>
      <Words as="strong" color="stop">
        As it was found or left, the engine must not be run: {names}.
      </Words>
      <Words>
        Hang a tag at the starting place that says so. The record says it, and that nobody has heard
        it run.
      </Words>
      <Reason
        label="It was put right since: why it may be run"
        given={undefined}
        onGive={(reason) => job.act({ type: 'gate.exempted', gate: 'run', reason })}
      />
    </StepFrame>
  );
}

function HowItRan({ job, after }: Props) {
  const symptom = job.state.why?.symptom;
  const off = notSetSinceHeadWork(job.setting.sheet, job.state);
  const [leaks, setLeaks] = useState<boolean>();
  const [gone, setGone] = useState<boolean>();
  const [note, setNote] = useState('');
  const where = leaks === true && note.trim() === '';
  const ready = leaks !== undefined && !where && (symptom === undefined || gone !== undefined);
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
      {off && (
        <Caution>
          {`After head work this job did not set the ${off}: run it only if somebody else has.`}
        </Caution>
      )}
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
      {(symptom !== undefined || job.state.noise.before) && <Listen job={job} when="after" />}
      {symptom !== undefined && (
        <YesNo
          question={`“${symptom}”: gone?`}
          value={gone}
          onChange={setGone}
          yes="Gone"
          no="Still there"
        />
      )}
      <Field
        label={leaks ? 'What leaks, and where' : 'A note, if any'}
        value={note}
        onChange={setNote}
        multiline
      />
      <Reason
        label="It is not run today: why"
        given={undefined}
        onGive={(reason) => job.act({ type: 'run.noted', ran: false, leaks: false, note: reason })}
      />
    </StepFrame>
  );
}
