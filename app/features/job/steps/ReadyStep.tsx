import { coldFrom, formatHours, formatInstant } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../../theme/Act';
import { Choice } from '../../../theme/Choice';
import { Field } from '../../../theme/Field';
import { Row, Stack } from '../../../theme/Panel';
import { Words } from '../../../theme/Words';
import { StepFrame } from '../StepFrame';
import type { StepProps } from '../stepProps';
import { useClock } from '../useJob';

const HOUR = 3_600_000;
const RESTS = [
  { hours: 0, label: 'Just stopped' },
  { hours: 2, label: '2 h ago' },
  { hours: 4, label: '4 h ago' },
  { hours: 12, label: 'Overnight' },
];

/** Engine cold since when, and the hours now. */
export function ReadyStep({ job, after }: StepProps) {
  return (
    <StepFrame job={job} after={after}>
      <Cold job={job} />
      <Hours job={job} />
    </StepFrame>
  );
}

function Cold({ job }: Pick<StepProps, 'job'>) {
  const { sheet } = job.setting;
  const now = useClock(15_000);
  const soak = sheet.temperature?.soakMinutes ?? 0;
  const { coldSince } = job.state;
  const counts = coldFrom(sheet, job.state);
  const left = counts === undefined ? undefined : counts - Date.parse(now);
  const stand = (hours: number) => job.act({ type: 'cold.stated', since: hoursAgo(hours) });
  return (
    <Stack>
      <Words as="heading">When did it last run or move?</Words>
      <Words as="note" color="secondInk">
        Set cold, after {spell(soak)} at rest. Moving the machine even a few metres starts the rest
        anew.
      </Words>
      <Row style={{ flexWrap: 'wrap' }}>
        {RESTS.map(({ hours, label }) => (
          <Choice
            key={hours}
            label={label}
            chosen={isNear(coldSince, hours, now)}
            onPress={() => stand(hours)}
          />
        ))}
      </Row>
      {coldSince !== undefined && left !== undefined && (
        <Words as="strong" color={left > 0 ? 'act' : 'ink'}>
          {left > 0
            ? `At rest since ${formatInstant(coldSince)}. Counts as cold in ${spell(Math.ceil(left / 60_000))}.`
            : `At rest since ${formatInstant(coldSince)}: cold.`}
        </Words>
      )}
    </Stack>
  );
}

function hoursAgo(hours: number): string {
  return new Date(Date.now() - hours * HOUR).toISOString();
}

/** Whether the rest stated is the one this choice stands for, give or take a quarter hour. */
function isNear(since: string | undefined, hours: number, now: string): boolean {
  if (since === undefined) return false;
  return Math.abs(Date.parse(now) - Date.parse(since) - hours * HOUR) < HOUR / 4;
}

function spell(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  return (
    [hours ? `${hours} h` : '', rest ? `${rest} min` : ''].filter(Boolean).join(' ') || '0 min'
  );
}

function Hours({ job }: Pick<StepProps, 'job'>) {
  const [text, setText] = useState('');
  const before = job.context.lastLeft?.hours;
  const value = Number(text.replace(',', '.'));
  const typed = text.trim() !== '';
  const wrong = !typed
    ? undefined
    : !Number.isFinite(value) || value < 0
      ? 'Hours are a number, such as 6612.'
      : before && value < before.hours
        ? `The meter showed ${formatHours(before.hours)} h at the last check. Read it once more.`
        : undefined;
  const recorded = job.state.hours;
  return (
    <Stack>
      <Words as="heading">Hours now</Words>
      {recorded && <Words as="strong">{formatHours(recorded.hours)} h recorded</Words>}
      <Field
        label="What the hour meter shows"
        inputMode="decimal"
        value={text}
        onChange={setText}
        error={wrong}
      />
      <Act
        weight="primary"
        label={typed && !wrong ? `Record ${formatHours(value)} h` : 'Record the hours'}
        disabled={!typed || wrong !== undefined}
        onPress={() => {
          job.act({ type: 'hours.read', hours: value });
          setText('');
        }}
      />
    </Stack>
  );
}
