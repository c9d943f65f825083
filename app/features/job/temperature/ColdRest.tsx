import { coldFrom, formatInstant } from '@longbar/core';
import { OneOf } from '../../../ui/OneOf';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import type { StepProps } from '../model/stepProps';
import { useClock } from '../model/useJob';
import { spell } from '../../shared/spell';
import { temperatureWords } from '../../shared/temperatureWords';

const HOUR = 3_600_000;
const RESTS = [
  [0, 'Just stopped'],
  [2, '2 h ago'],
  [4, '4 h ago'],
  [12, 'Overnight'],
] as const;

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
      <OneOf
        name="At rest since"
        options={RESTS}
        chosen={RESTS.find(([hours]) => isNear(coldSince, hours, now))?.[0]}
        onChoose={stand}
        columns="as fit"
      />
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
