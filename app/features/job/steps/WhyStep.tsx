import { formatDay } from '@longbar/core';
import { useState } from 'react';
import { useMachineQuery } from '../../../state/api';
import { Caution } from '../../../ui/Caution';
import { Field } from '../../../ui/Field';
import { OneOf } from '../../../ui/OneOf';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { Findings } from '../../drift/Findings';
import { useFindings } from '../../drift/useFindings';
import { Listen } from '../../listen/Listen';
import { usePractising } from '../../shared/practising';
import { Attach } from '../frame/Attach';
import { ScopeChoice } from '../frame/ScopeChoice';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';

type Reason = 'interval' | 'head-work' | 'symptom';
const REASONS: { reason: Reason; label: string }[] = [
  { reason: 'interval', label: 'It is due' },
  { reason: 'head-work', label: 'After head work' },
  { reason: 'symptom', label: 'A symptom' },
];

/** Why the engine is opened, and whether its sheet has moved on since the job began. */
export function WhyStep({ job, after }: StepProps) {
  const noted = job.state.why;
  const [reason, setReason] = useState<Reason | undefined>(noted?.reason);
  const [symptom, setSymptom] = useState(noted?.symptom ?? '');
  const [attached, setAttached] = useState(noted?.attachments ?? []);
  const practising = usePractising();
  const needsWords = reason === 'symptom' && symptom.trim() === '';
  const record = () => {
    if (!reason || needsWords) return;
    job.act({
      type: 'why.noted',
      reason,
      ...(reason === 'symptom' && { symptom: symptom.trim() }),
      ...(reason === 'symptom' && attached.length > 0 && { attachments: attached }),
    });
  };
  return (
    <StepFrame
      job={job}
      after={after}
      act={{ label: 'Continue', disabled: !reason || needsWords, onPress: record }}
    >
      <Words as="heading">Why is it opened?</Words>
      <OneOf
        name="Why is it opened?"
        options={REASONS.map((each) => [each.reason, each.label] as const)}
        chosen={reason}
        onChoose={setReason}
      />
      {reason === 'symptom' && (
        <>
          <Field
            label="What is heard, felt or seen"
            value={symptom}
            onChange={setSymptom}
            multiline
          />
          <Attach attached={attached} onAttach={setAttached} />
          <Listen job={job} when="before" />
        </>
      )}
      <ScopeChoice job={job} why={reason && { reason }} />
      {!practising && <OfTheMachine job={job} />}
      <FromBefore job={job} />
      {job.setting.sheet.cautions?.map((text) => (
        <Caution key={text}>{text}</Caution>
      ))}
      <Words as="note" color="secondInk">
        Long Bar’s positions are worked out from firing order and lobes: a check on the maker’s
        current manual, not a replacement. Where they differ the manual stands, and local rules and
        licensed practice stand above both.
      </Words>
    </StepFrame>
  );
}

/** What the server knows of the machine: a newer sheet, and what its figures tell. */
function OfTheMachine({ job }: Pick<StepProps, 'job'>) {
  return (
    <>
      <NewerSheet job={job} />
      <Findings findings={useFindings(job.setting.head.machine)} />
    </>
  );
}

/** What earlier jobs at this machine left for this one. */
function FromBefore({ job }: Pick<StepProps, 'job'>) {
  const notes = job.context.notes ?? [];
  if (notes.length === 0) return null;
  return (
    <Stack gap={4}>
      <Words as="strong">Noted at this machine before</Words>
      {notes.map(({ text, by, at }) => (
        <Words key={at + text}>
          · {text} ({by}, {formatDay(at)})
        </Words>
      ))}
    </Stack>
  );
}

/** A job keeps the revision it began with, and says so when there is a newer one. */
function NewerSheet({ job }: Pick<StepProps, 'job'>) {
  const { machine, sheetRevision } = job.setting.head;
  const { data } = useMachineQuery(machine, { refetchOnMountOrArgChange: true });
  const newest = data && (data.sheet.newest ?? data.sheet.revision);
  if (newest === undefined || newest <= sheetRevision) return null;
  return (
    <Words as="strong" color="act">
      This job keeps revision {sheetRevision} of its sheet. There is a revision {newest}: look at
      what it changes before anything is set.
    </Words>
  );
}
