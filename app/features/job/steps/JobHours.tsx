import { doubtJobHours, formatHours, localDay, readNumber } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../../ui/Act';
import { Choice } from '../../../ui/Choice';
import { Field } from '../../../ui/Field';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { Reason } from '../frame/Reason';
import type { StepProps } from '../model/stepProps';

/** The hours of the meter as the job begins: a doubtful figure is asked about, and never a dead end. */
export function JobHours({ job }: Pick<StepProps, 'job'>) {
  const [text, setText] = useState('');
  const [replaced, setReplaced] = useState(false);
  const hours = readNumber(text, { groups: true }) ?? NaN;
  const isHours = Number.isFinite(hours) && hours >= 0;
  const typed = text.trim() !== '';
  const doubt = isHours
    ? doubtJobHours(job.context, { date: localDay(new Date()), hours })
    : undefined;
  // Another meter shows fewer hours, or more than there were since: never merely many.
  const another = doubt?.doubt === 'below' || doubt?.doubt === 'impossible';
  const recorded = job.state.hours;
  const record = () => {
    const answer = another && replaced ? { replaced: true } : { sure: true };
    job.act({ type: 'hours.read', hours, ...(doubt && answer) });
    setText('');
  };
  return (
    <Stack>
      <Words as="heading">Hours now</Words>
      {recorded && <Words as="strong">{formatHours(recorded.hours)} h recorded</Words>}
      <Field
        label="What the hour meter shows"
        inputMode="decimal"
        value={text}
        onChange={setText}
        error={typed && !isHours ? 'Hours are a number, such as 6612.' : undefined}
      />
      {doubt && (
        <Words as="strong" color="act" role="status">
          {doubt.says}
        </Words>
      )}
      {another && (
        <Choice
          label="It was replaced or reset"
          several
          chosen={replaced}
          onPress={() => setReplaced(!replaced)}
        />
      )}
      <Act
        weight="primary"
        label={
          isHours
            ? `Record ${formatHours(hours)} h${doubt && !(another && replaced) ? ', it is so' : ''}`
            : 'Record the hours'
        }
        disabled={!isHours}
        onPress={record}
      />
      {!recorded && (
        <Reason
          label="The meter cannot be read: why"
          given={job.state.exempted.hours?.reason}
          onGive={(reason) => job.act({ type: 'gate.exempted', gate: 'hours', reason })}
        />
      )}
    </Stack>
  );
}
