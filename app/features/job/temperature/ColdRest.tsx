import { coldFrom, formatInstant } from '@longbar/core';
import { Choice } from '../../../ui/Choice';
import { Row, Stack } from '../../../ui/Panel';
import { RadioGroup } from '../../../ui/RadioGroup';
import { Words } from '../../../ui/Words';
import type { StepProps } from '../model/stepProps';
import { useClock } from '../model/useJob';
import { spell } from '../../shared/spell';
import { temperatureWords } from '../../shared/temperatureWords';

const HOUR = 3_600_000;
const RESTS = [
  { hours: 0, label: 'Just stopped' },
  { hours: 2, label: '2 h ago' },
  { hours: 4, label: '4 h ago' },
  { hours: 12, label: 'Overnight' },
];

/** Set cold: since when it has been at rest, and how long it still must. */
export function ColdRest({ job }: Pick<StepProps, 'job'>) {
  const { sheet } = job.setting;
  const now = useClock(15_000);
  const { coldSince } = job.state;
  const counts = coldFrom(sheet, job.state);
  const left = counts === undefined ? undefined : counts - Date.parse(now);
  const stand = (hours: number) => job.act({ type: 'cold.stated', since: hoursAgo(hours) });
  return (
    <Stack>
      <Words as="heading">When did it last run or move?</Words>
      <Words as="note" color="secondInk">
        {sheet.temperature && temperatureWords(sheet.temperature)} Moving the machine even a few
        metres starts the rest anew.
      </Words>
      <RadioGroup name="At rest since">
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
      </RadioGroup>
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
